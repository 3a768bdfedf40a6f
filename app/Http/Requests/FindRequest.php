<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** The words of the command box. */
final class FindRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'],
        ];
    }
}
