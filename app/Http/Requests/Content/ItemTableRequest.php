<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;

/** Which items of a type, their order, and which page of them; filters come beside, by field. */
final class ItemTableRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['required', 'string'],
            'q' => ['nullable', 'string', 'max:200'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'sort' => [],
            'direction' => ['nullable', 'in:asc,desc'],
        ];
    }
}
