<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** The records of a definition and the fields to show in the table. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class ResultsRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'page' => ['string'],
            'fields' => ['present', 'array', 'max:20'],
            'fields.*' => ['string'],
        ];
    }
}
