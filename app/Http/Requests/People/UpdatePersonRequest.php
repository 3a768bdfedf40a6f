<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use OpenApi\Attributes as OA;

/** The name, role and groups of a person, and whether they may sign in. */
#[OA\Schema]
final class UpdatePersonRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'active' => ['required', 'boolean'],
            'revision' => ['required', ...self::STORED_INTEGER],
        ];
    }
}
