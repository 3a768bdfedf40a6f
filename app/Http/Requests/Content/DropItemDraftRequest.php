<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The draft to remove. */
#[OA\Schema]
final class DropItemDraftRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => ['required', 'string'],
            'id' => ['nullable', 'integer'],
        ];
    }
}
