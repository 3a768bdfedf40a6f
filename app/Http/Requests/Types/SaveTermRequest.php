<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The values of a term; for a new one also its parent. */
#[OA\Schema(properties: [
    new OA\Property(property: 'term', type: 'object', additionalProperties: true),
    new OA\Property(property: 'parent', type: 'integer', nullable: true),
])]
final class SaveTermRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'term' => [],
            'parent' => [],
            'revision' => self::STORED_INTEGER,
        ];
    }
}
