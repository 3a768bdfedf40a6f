<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Wording\Format;

/** How one record looks: lines of parts. */
final readonly class Card
{
    /** @param  non-empty-list<Line>  $lines */
    public function __construct(public array $lines)
    {
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return list<non-empty-list<RenderedPart>> the lines that are left; none where the card is left out of the list
     */
    public function made(Record $record, Format $format): array
    {
        $lines = [];
        foreach ($this->lines as $line) {
            $made = $line->made($record, $format);
            if ($made !== []) {
                $lines[] = $made;
            }
        }

        return $lines;
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
