<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Excerpt as Cut;
use Wellspring\Core\Wording\Format;

/** The beginning of the record’s text, cut at a word. */
final class Excerpt implements PartKind
{
    use Defaults;

    private const WORDS = 24;

    private const MAX_WORDS = 500;

    public function key(): string
    {
        return 'excerpt';
    }

    public function read(Shape $shape, Type $type): PartContent
    {
        return new PartContent(
            $type->reachable['text'],
            ['words' => $shape->whole('words', self::WORDS, 1, self::MAX_WORDS)],
        );
    }

    public static function optionSchemas(): array
    {
        return ['words' => ['type' => 'integer', 'minimum' => 1, 'maximum' => self::MAX_WORDS]];
    }

    public function show(Part $part, Record $record, Format $format): string
    {
        $text = $part->field === null ? '' : $record->visibleText($part->field);

        return Cut::words($text, max(1, $part->number('words', self::WORDS)));
    }
}
