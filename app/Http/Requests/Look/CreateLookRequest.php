<?php

declare(strict_types=1);

namespace App\Http\Requests\Look;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A new look: its name, and the look or the design tokens that it begins with. */
#[OA\Schema(properties: [
    new OA\Property(property: 'tokens', type: 'object'),
])]
final class CreateLookRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:100'],
            'from' => ['nullable', 'string', 'max:64'],
            'tokens' => ['nullable', 'array'],
        ];
    }
}
