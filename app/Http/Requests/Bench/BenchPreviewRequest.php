<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** A definition to be looked at, with the page of the listing, and the page of the site that it stands on. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class BenchPreviewRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'page' => ['string'],
            'on' => ['nullable', 'integer'],
        ];
    }
}
