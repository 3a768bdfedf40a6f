<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The types, in their new order. */
#[OA\Schema(properties: [
    new OA\Property(property: 'keys', type: 'array', items: new OA\Items(type: 'string')),
])]
final class OrderTypesRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'keys' => [],
        ];
    }
}
