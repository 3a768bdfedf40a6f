<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** A draft, with the revision that it started from. */
#[OA\Schema]
final class SaveDraftRequest extends ApiRequest
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
