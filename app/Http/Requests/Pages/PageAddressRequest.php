<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The address of a new or existing page, to be checked or suggested. */
#[OA\Schema(properties: [
    new OA\Property(property: 'about', ref: '#/components/schemas/PageAbout'),
])]
final class PageAddressRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['nullable', 'string', 'max:200'],
            'about' => ['nullable', 'array'],
            'under' => ['nullable', 'string', 'max:64'],
            'address' => ['nullable', 'string', 'max:300'],
            'key' => ['nullable', 'string', 'max:64'],
        ];
    }
}
