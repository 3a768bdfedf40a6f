<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** The record for the trace: an item by its id, any other by its slug. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class TraceRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'item' => ['nullable', 'integer'],
            'slug' => ['nullable', 'string', 'max:300'],
            'start' => ['nullable', 'date_format:Y-m-d\TH:i:s\Z'],
        ];
    }
}
