<?php

declare(strict_types=1);

namespace App\Http\Requests\Media;

use App\Http\Requests\ApiRequest;
use App\Http\Requests\TakesFile;
use OpenApi\Attributes as OA;

/** An uploaded file. */
#[OA\Schema(properties: [
    new OA\Property(property: 'file', type: 'string', format: 'binary'),
    new OA\Property(property: 'alt', type: 'string'),
])]
final class UploadMediaRequest extends ApiRequest implements TakesFile
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'file' => [],
            'alt' => [],
        ];
    }
}
