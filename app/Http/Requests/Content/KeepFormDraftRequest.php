<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The unsaved values of a form, and the revision that the person began with. */
#[OA\Schema(properties: [
    new OA\Property(property: 'values', type: 'object', additionalProperties: true),
])]
final class KeepFormDraftRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => ['nullable', ...self::STORED_INTEGER],
            'values' => [],
        ];
    }
}
