<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\PreviewRequest;
use OpenApi\Attributes as OA;

/** The context in which the frame's draft is previewed: the page, the viewer and the date. */
#[OA\Schema]
final class FramePreviewRequest extends PreviewRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'address' => ['required', 'string', 'max:255']];
    }
}
