<?php

declare(strict_types=1);

namespace App\Http\Requests\Content;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The format of an export. */
#[OA\Schema]
final class ExportRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'format' => ['required', 'in:csv,json,jsonl'],
            'plain' => ['boolean'],
        ];
    }
}
