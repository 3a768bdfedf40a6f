<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** A definition that is being edited, and the part of its card that some records have nothing for. */
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
