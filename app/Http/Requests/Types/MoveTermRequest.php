<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The new place of a term. */
#[OA\Schema]
final class MoveTermRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'parent' => ['nullable', 'integer'],
            'position' => ['required', 'integer'],
        ];
    }
}
