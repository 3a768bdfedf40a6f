<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;

/** How one record looks: lines of parts. */
final readonly class Card
{
    /** @param  non-empty-list<Line>  $lines */
    public function __construct(public array $lines)
    {
    }

    /** Whether anything of the card is left for the record; a card with no lines left is left out of the list. */
    public function stands(Record $record): bool
    {
        foreach ($this->lines as $line) {
            if ($line->stands($record)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, Part> by their place in a definition: `card.lines[0].parts[1]` */
    public function parts(): array
    {
        $parts = [];
        foreach ($this->lines as $l => $line) {
            foreach ($line->parts as $p => $part) {
                $parts["card.lines[{$l}].parts[{$p}]"] = $part;
            }
        }

        return $parts;
    }

    /** @return array{lines: list<array{parts: list<array<string, mixed>>}>} */
    public function toArray(): array
    {
        return ['lines' => array_map(
            fn (Line $line): array => ['parts' => array_map(fn (Part $part): array => $part->toArray(), $line->parts)],
            $this->lines,
        )];
    }
}
