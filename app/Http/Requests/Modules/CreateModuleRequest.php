<?php

declare(strict_types=1);

namespace App\Http\Requests\Modules;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\HasDefinition;
use OpenApi\Attributes as OA;

/** A new module. */
#[OA\Schema]
final class CreateModuleRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:200'],
            'definition' => ['required', 'array'],
        ];
    }
}
