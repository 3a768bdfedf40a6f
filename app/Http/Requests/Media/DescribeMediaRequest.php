<?php

declare(strict_types=1);

namespace App\Http\Requests\Media;

use App\Http\Requests\ApiRequest;
use OpenApi\Attributes as OA;

/** The alternative text of a file, and its focus point: shares of its width and height. */
#[OA\Schema]
final class DescribeMediaRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'alt' => ['present', 'nullable', 'string', 'max:300'],
            'focus' => ['required', 'array', 'size:2'],
            'revision' => ['required', ...self::STORED_INTEGER],
            'focus.*' => ['numeric', 'min:0', 'max:1'],
        ];
    }
}
