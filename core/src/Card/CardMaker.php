<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;

/** Makes a record's card: its lines and parts with what they show, the empty-value rules applied. */
final readonly class CardMaker
{
    public function __construct(private Format $format)
    {
    }

    /** @return list<non-empty-list<MadePart>> the lines; none when the whole card is left out */
    public function make(Card $card, Record $record): array
    {
        $lines = [];
        foreach ($card->lines as $line) {
            $parts = $line->stands($record) ? $this->parts($line, $record) : [];
            if ($parts !== []) {
                $lines[] = $parts;
            }
        }

        return $lines;
    }

    /** @return list<MadePart> */
    private function parts(Line $line, Record $record): array
    {
        $made = [];
        foreach ($line->parts as $part) {
            $text = $part->isEmpty($record) ? null : $part->kind->show($part, $record, $this->format);
            if ($text !== null) {
                $made[] = new MadePart($part, $text);
            } elseif ($part->empty->do === EmptyAction::Say) {
                $made[] = new MadePart($part, $part->empty->text, said: true);
            }
        }

        return $made;
    }
}
