<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\PreviewRequest;
use OpenApi\Attributes as OA;

/** Which modules and which pages are looked for, by a part of their name or key, of their title or address; as whom. */
#[OA\Schema]
final class PlacementGridRequest extends PreviewRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'modules' => ['nullable', 'string', 'max:200'],
            'pages' => ['nullable', 'string', 'max:200'],
        ];
    }
}
