<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The items that are placed, first to last, of a type or of a term. */
#[OA\Schema(properties: [
    new OA\Property(property: 'term', type: 'integer', nullable: true),
])]
final class PlaceByHandRequest extends ApiRequest
{
    /** Items that are put in order by hand, at most. */
    public const MOST = 500;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'ids' => ['present', 'array', 'max:'.self::MOST],
            'ids.*' => ['integer'],
            'revision' => ['required', ...self::STORED_INTEGER],
            'term' => [],
        ];
    }
}
