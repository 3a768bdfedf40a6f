<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** An unsaved definition. */
#[OA\Schema]
final class DefinitionRequest extends ApiRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'definition' => ['required', 'array'],
        ];
    }
}
