<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

use Wellspring\Core\Page\Schedule;
use Wellspring\Core\Wording\Piece;
use Wellspring\Core\Wording\Sentence;

/** The frame around every page's body, validated by FrameReader. */
final readonly class FrameDefinition
{
    /** @param  array<string, list<FrameEntry>>  $slots  by the value of FrameSlot, in the order of its cases */
    public function __construct(private array $slots)
    {
    }

    /** @return list<FrameEntry> first to last */
    public function entries(FrameSlot $slot): array
    {
        return $this->slots[$slot->value] ?? [];
    }

    /** @return list<string> keys of the modules that stand in it, each once */
    public function modules(): array
    {
        $keys = array_map(
            fn (FrameEntry $entry): array => $entry->placed->block->modules(),
            array_merge(...array_values($this->slots)),
        );

        return array_values(array_unique(array_merge(...$keys)));
    }

    /** @return list<string> keys of the modules whose choices it offers, though they may stand elsewhere, each once */
    public function offersChoicesOf(): array
    {
        $keys = array_map(
            fn (FrameEntry $entry): array => $entry->placed->block->offersChoicesOf(),
            array_merge(...array_values($this->slots)),
        );

        return array_values(array_unique(array_merge(...$keys)));
    }

    /** @return list<Schedule> of all that stands in it */
    public function schedules(): array
    {
        return array_map(
            fn (FrameEntry $entry): Schedule => $entry->placed->schedule,
            array_merge(...array_values($this->slots)),
        );
    }

    /** @return list<Sentence> one for each slot in which something stands */
    public function sentences(): array
    {
        $sentences = [];
        foreach ($this->slots as $slot => $entries) {
            $pieces = [];
            foreach ($entries as $i => $entry) {
                array_push(
                    $pieces,
                    ...$i === 0 ? [] : [new Piece(', ')],
                    ...[new Piece($entry->words(), "slots.{$slot}[{$i}]")],
                );
            }
            if ($pieces !== []) {
                $sentences[] = new Sentence("slots.{$slot}", null, FrameSlot::from($slot)->words(), $pieces);
            }
        }

        return $sentences;
    }

    /** @return array<string, mixed> as a file of format 1 holds it */
    public function toArray(): array
    {
        $slots = array_map(
            fn (array $entries): array => array_map(fn (FrameEntry $entry): array => $entry->toArray(), $entries),
            array_filter($this->slots),
        );

        return ['format' => FrameReader::FORMAT, 'slots' => $slots === [] ? new \stdClass : $slots];
    }
}
