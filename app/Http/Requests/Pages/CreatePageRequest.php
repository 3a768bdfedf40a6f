<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/**
 * A new page: what it is called, its address, and with a placeholder what it is about. Without an address, one is made
 * from the title, under the page whose key is `under`.
 */
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
            'address' => ['nullable', 'string', 'max:255'],
            'about' => ['nullable', 'array'],
            'under' => ['nullable', 'string', 'max:64'],
        ];
    }
}
