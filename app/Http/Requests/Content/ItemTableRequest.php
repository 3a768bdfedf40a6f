<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;

/**
 * The search, order and page of the item table.
 *
 * `where` is a group of conditions as JSON; `slugs` are joined by commas.
 */
final class ItemTableRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['required', 'string'],
            'status' => ['nullable', 'string'],
            'slugs' => ['nullable', 'string'],
            'where' => ['nullable', 'string'],
            'q' => ['nullable', 'string', 'max:200'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'sort' => ['nullable', 'string'],
            'direction' => ['nullable', 'in:asc,desc'],
        ];
    }
}
