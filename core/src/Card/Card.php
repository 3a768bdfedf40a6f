<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
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
     * @return Node<RenderedPart> its lines, each with its parts
     */
    public function node(Record $record, Format $format): Node
    {
        return Node::branch(
            Level::Card,
            array_map(fn (Line $line): Node => $line->node($record, $format), $this->lines),
        );
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return list<list<RenderedPart>> the parts that are left, by line; none where the card is left out of the list
     */
    public function lines(Record $record, Format $format): array
    {
        return array_map(
            fn (Node $line): array => array_values(array_filter(
                array_map(fn (Node $part): ?RenderedPart => $part->content, $line->children),
            )),
            $this->node($record, $format)->left()->children ?? [],
        );
    }

    /**
     * @param  Record  $record  as the viewer sees it
     * @return array<string, Part> the parts that have nothing to show of it, by their place in a definition
     */
    public function gaps(Record $record, Format $format): array
    {
        return array_filter($this->parts(), fn (Part $part): bool => $part->shown($record, $format) === null);
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
