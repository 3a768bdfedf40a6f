<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/**
 * The context of a preview: the date, the viewer, the page's record, the search words and the visitor's choices.
 */
#[OA\Schema(schema: 'PreviewContext')]
class PreviewRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'at' => ['nullable', 'string'],
            'as' => ['nullable', 'string', 'max:500'],
            'person' => ['nullable', 'email'],
            'about' => ['nullable', 'array'],
            'about.item' => ['nullable', 'integer'],
            'about.term' => ['nullable', 'string', 'regex:~^[a-z][a-z0-9_]*/[a-z0-9-]+$~'],
            'about.month' => ['nullable', 'string'],
            'about.person' => ['nullable', 'email'],
            'words' => ['nullable', 'string', 'max:200'],
            'choices' => ['nullable', 'array', 'max:50'],
        ];
    }
}
