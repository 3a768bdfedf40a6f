<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** A bulk change: the action, and the items by id or by query. */
#[OA\Schema(properties: [
    new OA\Property(property: 'query', type: 'object', additionalProperties: true),
    new OA\Property(property: 'with', type: 'object', additionalProperties: true),
])]
final class ChangeItemsRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['required', 'string'],
            'do' => ['required', 'in:publish,unpublish,addTerms,removeTerms,set,delete'],
            'ids' => ['nullable', 'array'],
            'ids.*' => ['integer'],
            'query' => [],
            'with' => [],
        ];
    }
}
