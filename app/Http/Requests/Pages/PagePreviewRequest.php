<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\Bench\BenchRequest;
use OpenApi\Attributes as OA;

/** An unsaved page and the context of its preview: the viewer, the date and the page's record. */
#[OA\Schema(properties: [
    new OA\Property(property: 'definition', ref: '#/components/schemas/PageFile'),
])]
final class PagePreviewRequest extends BenchRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'slug' => ['nullable', 'string', 'max:200']];
    }
}
