<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\PreviewRequest;
use OpenApi\Attributes as OA;

/** From where the frame's draft is looked at: around which page, as whom, on which date. */
#[OA\Schema]
final class FramePreviewRequest extends PreviewRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'address' => ['required', 'string', 'max:255']];
    }
}
