<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** E-mail address and password of a person who signs in again. */
#[OA\Schema]
final class SignInRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }
}
