<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The unsaved values of an item’s form; without an id, of a new item. */
#[OA\Schema(properties: [
    new OA\Property(property: 'values', ref: '#/components/schemas/Values'),
])]
final class KeepItemDraftRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['required', 'string'],
            'id' => ['nullable', 'integer'],
            'revision' => ['nullable', ...self::STORED_INTEGER],
            'values' => [],
        ];
    }
}
