<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/**
 * Where an entry of the frame shows, and perhaps one change to it: a tick at a page (with all below it, or alone), or
 * whether new pages show it.
 */
#[OA\Schema(properties: [
    new OA\Property(property: 'on', oneOf: [
        new OA\Schema(type: 'string'), new OA\Schema(type: 'object', additionalProperties: true),
    ]),
])]
final class TickPlaceRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'on' => ['present'],
            'address' => ['nullable', 'string', 'max:255'],
            'shows' => ['required_with:address', 'boolean'],
            'below' => ['required_with:address', 'boolean'],
            'newPages' => ['nullable', 'boolean'],
        ];
    }
}
