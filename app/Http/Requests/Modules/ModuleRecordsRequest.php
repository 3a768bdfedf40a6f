<?php

declare(strict_types=1);

namespace App\Http\Requests\Modules;

use App\Http\Requests\ApiRequest;

/** The modules whose records are counted. */
final class ModuleRecordsRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'keys' => ['required', 'array', 'max:50'],
            'keys.*' => ['string'],
        ];
    }
}
