<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;

/** One line of a card. */
final readonly class Line
{
    /**
     * @param  non-empty-array<int, Part>  $parts  by their positions in the definition; unreadable parts are missing
     */
    public function __construct(public array $parts)
    {
    }

    /** @return Node<RenderedPart> its parts with what each shows of the record */
    public function node(Record $record, CardContext $context): Node
    {
        return Node::branch(
            Level::Line,
            array_values(array_map(fn (Part $part): Node => $part->node($record, $context), $this->parts)),
        );
    }

    /** The records for which at least one part of the line remains. */
    public function isShown(): Presence
    {
        return Presence::all([
            $this->takes(Level::Line)->not(),
            Presence::any(array_values(
                array_map(fn (Part $part): Presence => $part->isShown(), $this->parts),
            )),
        ]);
    }

    /** The records for which a part removes the given level or a larger one. */
    public function takes(Level $level): Presence
    {
        return Presence::any(array_values(
            array_map(fn (Part $part): Presence => $part->takes($level), $this->parts),
        ));
    }
}
