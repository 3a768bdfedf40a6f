<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** What the page is about that blocks are added to; null of a page about nothing but itself, and in the frame. */
#[OA\Schema]
final class BlocksRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['about' => ['present', 'nullable', 'array']];
    }
}
