<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Wording\Format;

/** One line of a card. */
final readonly class Line
{
    /** @param  non-empty-list<Part>  $parts */
    public function __construct(public array $parts)
    {
    }

    /** @return Node<RenderedPart> its parts with what each shows of the record */
    public function node(Record $record, Format $format): Node
    {
        $parts = [];
        foreach ($this->parts as $part) {
            $text = $part->shown($record, $format);
            $takes = $part->empty->do->level();
            $parts[] = match (true) {
                $text !== null => Node::leaf(Level::Part, new RenderedPart($part, $text)),
                $takes !== null => Node::emptyLeaf(Level::Part, $takes),
                default => Node::leaf(Level::Part, new RenderedPart($part, $part->empty->text, said: true)),
            };
        }

        return Node::branch(Level::Line, $parts);
    }
}
