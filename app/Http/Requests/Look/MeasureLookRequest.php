<?php

declare(strict_types=1);

namespace App\Http\Requests\Look;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\HasDefinition;
use OpenApi\Attributes as OA;

/** An unsaved look. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/LookFile'),
])]
final class MeasureLookRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'definition' => ['required', 'array'],
            'dark' => ['nullable', 'boolean'],
        ];
    }
}
