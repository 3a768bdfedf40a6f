<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** One to four slots side by side. */
final readonly class Band
{
    /** @param  non-empty-list<Slot>  $slots  with shares that add up to twelve */
    public function __construct(
        public string $key,
        public array $slots,
        public Schedule $schedule,
        public Tone $tone = Tone::Plain,
        public ?Ground $ground = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key]
            + ($this->tone === Tone::Plain ? [] : ['tone' => $this->tone->value])
            + ($this->ground === null ? [] : ['ground' => $this->ground->toArray()])
            + $this->schedule->toArray()
            + ['slots' => array_map(fn (Slot $slot): array => $slot->toArray(), $this->slots)];
    }
}
