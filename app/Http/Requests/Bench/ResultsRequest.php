<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** Which records of a definition are shown as a table, and which of their fields. */
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
