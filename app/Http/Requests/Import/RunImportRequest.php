<?php

declare(strict_types=1);

namespace App\Http\Requests\Import;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The options of an import: how its rows are read, and whether they are written or only checked. */
#[OA\Schema(properties: [
    new OA\Property(property: 'options', ref: '#/components/schemas/ImportOptions'),
])]
final class RunImportRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'write' => ['required', 'boolean'],
            'options' => ['required', 'array'],
        ];
    }
}
