<?php

declare(strict_types=1);

namespace App\Content;

use Illuminate\Http\JsonResponse;

/** A write that started from a revision that is no longer the newest. Nothing was written. */
final class StaleWrite extends \RuntimeException
{
    /** @param  array<string, mixed>  $more  further keys of the answer */
    public function __construct(public readonly int $revision, private readonly array $more = [])
    {
        parent::__construct(
            'Someone else saved this in the meantime. Nothing of yours was written or lost: look at what changed, '
                .'then decide.',
        );
    }

    /**
     * @param  int  $now  the stored revision
     * @param  int|null  $from  the revision that the write started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public static function unless(int $now, ?int $from): void
    {
        if ($from !== null && $now !== $from) {
            throw new self($now);
        }
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage(), 'revision' => $this->revision] + $this->more, 409);
    }
}
