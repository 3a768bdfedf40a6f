<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The revision of the item that is removed. */
#[OA\Schema]
final class RemoveItemRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => ['nullable', ...self::STORED_INTEGER],
        ];
    }
}
