<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The values of an item, with the revision that they started from. */
#[OA\Schema(properties: [
    new OA\Property(property: 'values', ref: '#/components/schemas/Values'),
])]
final class SaveItemRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'values' => [],
            'revision' => ['required', ...self::STORED_INTEGER],
        ];
    }
}
