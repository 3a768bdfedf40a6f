<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** A menu's draft, with the revision that it started from; 0 where there is none yet. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/MenuFile'),
])]
final class SaveMenuDraftRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'definition' => ['required', 'array'],
            'revision' => ['required', ...self::STORED_INTEGER],
        ];
    }
}
