<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** A new page: what it is called and its address; with a placeholder, what it is about. */
#[OA\Schema(properties: [
    new OA\Property(property: 'about', ref: '#/components/schemas/PageAbout'),
])]
final class CreatePageRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:200'],
            'address' => ['required', 'string', 'max:255'],
            'about' => ['nullable', 'array'],
        ];
    }
}
