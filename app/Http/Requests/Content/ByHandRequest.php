<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;

/** Selects the order by hand of a term; without a term, that of the type. */
final class ByHandRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'term' => ['nullable', 'integer'],
        ];
    }
}
