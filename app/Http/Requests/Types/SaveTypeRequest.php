<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A type file, the new keys of renamed fields by their old ones, and whether values may be lost. */
#[OA\Schema(properties: [
    new OA\Property(property: 'file', ref: '#/components/schemas/TypeFile'),
    new OA\Property(
        property: 'renamed',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'string'),
    ),
    new OA\Property(property: 'withLoss', type: 'boolean'),
])]
final class SaveTypeRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => [],
            'renamed' => [],
            'withLoss' => [],
            'revision' => self::STORED_INTEGER,
        ];
    }
}
