<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The subject of the page that blocks are added to. Null for a page without a subject, and for the frame. */
#[OA\Schema]
final class BlocksRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['about' => ['present', 'nullable', 'array']];
    }
}
