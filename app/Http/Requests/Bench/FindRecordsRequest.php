<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use OpenApi\Attributes as OA;

/** Words to find records for the trace. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/Definition'),
])]
final class FindRecordsRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(),
            'words' => ['present', 'string', 'max:200'],
        ];
    }
}
