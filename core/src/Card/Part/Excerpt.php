<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Excerpt as Cut;
use Wellspring\Core\Wording\Format;

/** The beginning of the item's text, cut at a word. */
final class Excerpt implements PartKind
{
    public const WORDS = 24;

    public function key(): string
    {
        return 'excerpt';
    }

    public function field(Shape $shape, Type $type): Field
    {
        return $type->reachable['text'];
    }

    public function options(Shape $shape): array
    {
        return ['words' => $shape->whole('words', self::WORDS, 1, 500)];
    }

    public function show(Part $part, Record $record, Format $format): string
    {
        return Cut::words($record->visibleText($part->field), max(1, $part->words ?? self::WORDS));
    }

    public function words(Field $field): string
    {
        return 'excerpt';
    }
}
