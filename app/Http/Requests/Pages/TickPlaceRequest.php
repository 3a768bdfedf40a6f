<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/**
 * The pages that show an entry of the frame (`on`), and at most one change. A change ticks or unticks a page, alone or
 * with all below it, or says whether new pages show the entry.
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
