<?php

declare(strict_types=1);

namespace App\Http\Requests\Import;

use App\Http\Requests\ApiRequest;

/** The type whose latest imports are listed. */
final class ImportsRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['nullable', 'string'],
        ];
    }
}
