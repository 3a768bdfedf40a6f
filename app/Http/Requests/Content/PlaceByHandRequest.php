<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The items of a type or of a term in their order by hand. */
#[OA\Schema(properties: [
    new OA\Property(property: 'term', type: 'integer', nullable: true),
])]
final class PlaceByHandRequest extends ApiRequest
{
    /** The maximum number of items in an order by hand. */
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
