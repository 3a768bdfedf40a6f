<?php

declare(strict_types=1);

namespace App\Http\Requests\Look;

use App\Http\Requests\HasDefinition;
use App\Http\Requests\PreviewRequest;
use OpenApi\Attributes as OA;

/** An unsaved look, and the page to show in it, with the viewer and date. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/LookFile'),
])]
final class LookPreviewRequest extends PreviewRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'definition' => ['required', 'array'],
            'address' => ['required', 'string', 'max:255'],
        ];
    }
}
