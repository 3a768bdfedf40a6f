<?php

declare(strict_types=1);

namespace App\Http\Requests\Import;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\TakesFile;
use OpenApi\Attributes as OA;

/** A file of items of a type. */
#[OA\Schema(properties: [
    new OA\Property(property: 'type', type: 'string'),
    new OA\Property(property: 'file', type: 'string', format: 'binary'),
])]
final class StartImportRequest extends ApiRequest implements TakesFile
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'type' => [],
            'file' => [],
        ];
    }
}
