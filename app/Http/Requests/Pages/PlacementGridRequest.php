<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\PreviewRequest;
use OpenApi\Attributes as OA;

/** The search in the grid: modules by name or key, pages by title or address, and the viewer. */
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
