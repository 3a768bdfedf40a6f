<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** The versions to compare; without them, the definition and the live version. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class CompareRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'version' => ['nullable', ...self::STORED_INTEGER],
            'against' => ['nullable', ...self::STORED_INTEGER],
        ];
    }
}
