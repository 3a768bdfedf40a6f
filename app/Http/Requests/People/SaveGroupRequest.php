<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A group of people; without an id, a new one. */
#[OA\Schema]
final class SaveGroupRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'id' => ['nullable', 'integer'],
            'revision' => ['nullable', ...self::STORED_INTEGER],
            'name' => ['required', 'string', 'max:100'],
        ];
    }
}
