<?php

declare(strict_types=1);

namespace App\Http\Requests\Media;

use App\Http\Requests\ApiRequest;

/** The search and page of the file table. */
final class MediaTableRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'],
            'kind' => ['nullable', 'in:picture,video,file'],
            'alt' => ['nullable', 'in:missing'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }
}
