<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A taxonomy file. */
#[OA\Schema(properties: [
    new OA\Property(property: 'file', ref: '#/components/schemas/TaxonomyFile'),
])]
final class DefineTaxonomyRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => [],
            'revision' => self::STORED_INTEGER,
        ];
    }
}
