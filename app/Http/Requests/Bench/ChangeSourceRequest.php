<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** A definition and its new source. For one item without a slug, the newest item is taken. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
    new OA\Property(property: 'source', ref: '#/components/schemas/Source'),
])]
final class ChangeSourceRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'source' => ['required_without:start', 'array'],
            'start' => ['nullable', 'string'],
        ];
    }
}
