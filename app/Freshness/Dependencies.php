<?php

declare(strict_types=1);

namespace App\Freshness;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\Schedule;

/**
 * Collects the dependencies of a result while it is made: the keys of all marks that were read, and the first instant
 * at which the result changes by itself. The result is valid while the marks are unchanged and the instant is not
 * reached.
 */
final class Dependencies
{
    /** @var array<string, true> */
    private array $keys = [];

    private ?int $until = null;

    /** @param  string|null  $snapshot  what was committed before anything was read; see ContentMarks::since() */
    public function __construct(public readonly ?string $snapshot = null)
    {
    }

    /** @param  string  ...$keys  of marks, see ContentMarks */
    public function on(string ...$keys): void
    {
        $this->keys += array_fill_keys($keys, true);
    }

    /** @param  int|null  $timestamp  at which something changes by itself; null: never */
    public function changesAt(?int $timestamp): void
    {
        $this->until = $timestamp === null || $this->until === null ? $timestamp ?? $this->until : min(
            $timestamp,
            $this->until,
        );
    }

    /** @param  Schedule  ...$schedules  of what is shown or left out by them */
    public function expireWith(Context $context, Schedule ...$schedules): void
    {
        foreach ($schedules as $schedule) {
            $next = $schedule->nextChange($context);
            $this->changesAt($next === null ? null : (new \DateTimeImmutable($next))->getTimestamp());
        }
    }

    /** @return list<string> sorted */
    public function keys(): array
    {
        $keys = array_keys($this->keys);
        sort($keys);

        return $keys;
    }

    /** @return int|null a timestamp; null: for good */
    public function until(): ?int
    {
        return $this->until;
    }
}
