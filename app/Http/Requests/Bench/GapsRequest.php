<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** An unsaved definition, and the part of its card whose gaps are listed. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class GapsRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'part' => ['required', 'string', 'max:60']];
    }
}
