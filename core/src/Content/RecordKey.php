<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/**
 * The key of one entry of a listing: a record, or one occurrence of a record.
 *
 * Written `product:12`, and `event:12@2026-05-01T18:30:00Z` for an occurrence.
 */
final readonly class RecordKey implements \Stringable
{
    /** @param  string|null  $start  the start of the occurrence as an instant; null for a record without occurrences */
    public function __construct(public string $type, public int $id, public ?string $start = null)
    {
    }

    /** @throws \InvalidArgumentException unless it is written as __toString() writes it */
    public static function parse(string $key): self
    {
        if (preg_match('/^([^@]+):(\d{1,18})(?:@(.+))?$/D', $key, $found) !== 1) {
            throw new \InvalidArgumentException("“{$key}” is no record key; expected for instance “product:12”.");
        }

        return new self($found[1], (int) $found[2], $found[3] ?? null);
    }

    public function equals(self $other): bool
    {
        return $this->id === $other->id && $this->type === $other->type && $this->start === $other->start;
    }

    /** @return int below, equal to or above 0: the order that breaks every tie, by id, then by start */
    public function compareTo(self $other): int
    {
        return [$this->id, $this->start ?? ''] <=> [$other->id, $other->start ?? ''];
    }

    public function __toString(): string
    {
        return "{$this->type}:{$this->id}".($this->start === null ? '' : "@{$this->start}");
    }
}
