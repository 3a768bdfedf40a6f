<?php

declare(strict_types=1);

namespace App\Http\Requests\Import;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\TakesFile;
use OpenApi\Attributes as OA;

/** A zip file with the pictures that an import names. */
#[OA\Schema(properties: [
    new OA\Property(property: 'pictures', type: 'string', format: 'binary'),
])]
final class AddPicturesRequest extends ApiRequest implements TakesFile
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'pictures' => [],
        ];
    }
}
