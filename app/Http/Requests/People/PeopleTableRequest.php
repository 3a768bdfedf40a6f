<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Http\Requests\ApiRequest;

/** The search in the list of people: words and role. */
final class PeopleTableRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'],
            'role' => ['nullable', 'string'],
        ];
    }
}
