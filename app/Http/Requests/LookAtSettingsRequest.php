<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** Settings that are being edited. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/SettingsFile'),
])]
final class LookAtSettingsRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['definition' => ['required', 'array']];
    }
}
