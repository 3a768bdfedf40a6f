<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The revision that the item has now, so that no later save is overwritten. */
#[OA\Schema]
final class BringBackItemRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['required', ...self::STORED_INTEGER]];
    }
}
