<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The draft of a look, with the revision that it started from; 0 where nobody has changed it. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/LookFile'),
])]
final class SaveLookDraftRequest extends ApiRequest
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
