<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A text with markup for the preview. */
#[OA\Schema]
final class TextPreviewRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'html' => ['present', 'nullable', 'string', 'max:1000000'],
            'title' => ['nullable', 'string', 'max:500'],
        ];
    }
}
