<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\Requests\ApiRequest;
use App\People\PasswordPolicy;
use OpenApi\Attributes as OA;

/** A new password with the current one. */
#[OA\Schema]
final class ChangePasswordRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'current' => ['required', 'string'],
            'password' => [
                'required', 'string', 'min:'.PasswordPolicy::MIN_CHARACTERS, 'max:'.PasswordPolicy::MAX_CHARACTERS,
            ],
        ];
    }
}
