<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The terms to merge into one. */
#[OA\Schema]
final class MergeTermsRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'into' => ['required', 'integer'],
            'terms' => ['required', 'array', 'min:1'],
            'terms.*' => ['integer'],
        ];
    }
}
