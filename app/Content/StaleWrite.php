<?php

declare(strict_types=1);

namespace App\Content;

use Illuminate\Http\JsonResponse;

/** A write that started from a revision that is no longer the newest. Nothing was written. */
final class StaleWrite extends \RuntimeException
{
    public function __construct(public readonly int $revision)
    {
        parent::__construct('Someone else saved this in the meantime. Nothing of yours was written or lost: look at the newest version, then save again.');
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage(), 'revision' => $this->revision], 409);
    }
}
