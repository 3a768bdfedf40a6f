<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** A field whose values are counted before a rule of the definition. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class OptionsRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'field' => ['required', 'string'],
            'before' => ['required', 'string'],
        ];
    }
}
