<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\RequestText;
use OpenApi\Attributes as OA;

/** A new person. */
#[OA\Schema]
final class InviteRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'email' => ['required', 'email:rfc', 'max:200']];
    }

    protected function prepareForValidation(): void
    {
        $this->merge(['email' => RequestText::text($this, 'email')]);
    }
}
