<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\Requests\ApiRequest;
use App\Models\User;

/** The name, role and groups of a person. */
abstract class PersonRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:100'],
            'role' => ['required', 'in:'.implode(',', User::ROLES)],
            'groups' => ['array'],
            'groups.*' => ['integer', 'exists:groups,id'],
        ];
    }
}
