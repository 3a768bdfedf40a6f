<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\HasDefinition;
use OpenApi\Attributes as OA;

/** Finds records for the preview of a page with a placeholder by a part of their name. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/PageFile'),
])]
final class FindSubjectsRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'definition' => ['required', 'array'],
            'q' => ['nullable', 'string', 'max:200'],
        ];
    }
}
