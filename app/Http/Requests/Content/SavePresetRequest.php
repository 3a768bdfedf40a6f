<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A person's settings of a type's table; with a name, a saved view. */
#[OA\Schema]
final class SavePresetRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['present', 'nullable', 'string', 'max:100'],
            'state' => ['required', 'array'],
        ];
    }
}
