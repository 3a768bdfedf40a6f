<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;

/**
 * The answer with status 201 that describes what was created.
 *
 * @template-covariant TBody of array<string, mixed>
 */
final class Created extends JsonResponse
{
    /** @param  TBody  $body */
    public function __construct(array $body)
    {
        parent::__construct($body, self::HTTP_CREATED);
    }
}
