<?php

declare(strict_types=1);

namespace App\Http\Requests\Pages;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The record of the page that gets a block. Null for a page about nothing, and for the frame. */
#[OA\Schema]
final class BlocksRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['about' => ['present', 'nullable', 'array']];
    }
}
