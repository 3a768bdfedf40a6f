<?php

declare(strict_types=1);

namespace App\Http\Requests\Modules;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A bulk change of modules. */
#[OA\Schema]
final class ChangeModulesRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'keys' => ['required', 'array', 'min:1'],
            'keys.*' => ['string'],
            'do' => ['required', 'in:publish,off,on,remove'],
        ];
    }
}
