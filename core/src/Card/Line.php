<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;

/** One line of a card. */
final readonly class Line
{
    /** @param  non-empty-list<Part>  $parts */
    public function __construct(public array $parts)
    {
    }

    /** Whether the line shows for the record: no part takes it away, and at least one has something to show. */
    public function stands(Record $record): bool
    {
        $shows = false;
        foreach ($this->parts as $part) {
            $empty = $part->isEmpty($record);
            if ($empty && $part->empty->do === EmptyAction::LeaveOutLine) {
                return false;
            }
            $shows = $shows || ! $empty || $part->empty->do === EmptyAction::Say;
        }

        return $shows;
    }
}
