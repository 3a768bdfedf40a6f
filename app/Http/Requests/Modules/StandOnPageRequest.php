<?php

declare(strict_types=1);

namespace App\Http\Requests\Modules;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** True if the module stands on the page. */
#[OA\Schema]
final class StandOnPageRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['stands' => ['required', 'boolean']];
    }
}
