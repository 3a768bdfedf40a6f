<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Wording\Format;

/** One line of a card. */
final readonly class Line
{
    /** @param  non-empty-list<Part>  $parts */
    public function __construct(public array $parts)
    {
    }

    /**
     * @return list<RenderedPart> what it shows of the record, the empty-value rules applied; none where the line is left
     *   out
     */
    public function made(Record $record, Format $format): array
    {
        $made = [];
        foreach ($this->parts as $part) {
            $text = $part->shown($record, $format);
            if ($text !== null) {
                $made[] = new RenderedPart($part, $text);
            } elseif ($part->empty->do === EmptyAction::LeaveOutLine) {
                return [];
            } elseif ($part->empty->do === EmptyAction::Say) {
                $made[] = new RenderedPart($part, $part->empty->text, said: true);
            }
        }

        return $made;
    }
}
