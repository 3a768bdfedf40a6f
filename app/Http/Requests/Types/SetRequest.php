<?php

declare(strict_types=1);

namespace App\Http\Requests\Types;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\TakesFile;
use OpenApi\Attributes as OA;

/** A set: one that comes with Wellspring, or a zip file. */
#[OA\Schema(properties: [
    new OA\Property(property: 'shipped', type: 'string'),
    new OA\Property(property: 'file', type: 'string', format: 'binary'),
])]
final class SetRequest extends ApiRequest implements TakesFile
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'shipped' => [],
            'file' => [],
        ];
    }
}
