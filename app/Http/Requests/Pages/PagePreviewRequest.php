<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\Bench\BenchRequest;
use OpenApi\Attributes as OA;

/** A page that nobody has saved, and from where it is looked at: as whom, on which date, as the page of what. */
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
