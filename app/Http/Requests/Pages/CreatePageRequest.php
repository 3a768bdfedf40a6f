<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/**
 * A new page: its title, its address, and with a placeholder its record. Without an address, one is made from the
 * title, below the page with the key `under`.
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
