<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;

/** One line of a card. */
final readonly class Line
{
    /** @param  non-empty-array<int, Part>  $parts  by their places in the definition, which may lack some */
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

    /** Of which records anything of it is left. */
    public function isShown(): Presence
    {
        return Presence::all([
            $this->takes(Level::Line)->not(),
            Presence::any(array_values(
                array_map(fn (Part $part): Presence => $part->isShown(), $this->parts),
            )),
        ]);
    }

    /** Of which records a part takes something of that level away, or something larger. */
    public function takes(Level $level): Presence
    {
        return Presence::any(array_values(
            array_map(fn (Part $part): Presence => $part->takes($level), $this->parts),
        ));
    }
}
