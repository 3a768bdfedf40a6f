<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The values of a new item. */
#[OA\Schema(properties: [
    new OA\Property(property: 'type', type: 'string'),
    new OA\Property(property: 'values', ref: '#/components/schemas/Values'),
])]
final class CreateItemRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => [],
            'values' => [],
        ];
    }
}
