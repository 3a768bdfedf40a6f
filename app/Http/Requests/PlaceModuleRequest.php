<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The pages that a module stands on. */
#[OA\Schema]
final class PlaceModuleRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pages' => ['present', 'array'],
            'pages.*' => ['integer', 'exists:pages,id'],
        ];
    }
}
