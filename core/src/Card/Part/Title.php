<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** The record’s title, a heading that leads to its own page. */
final class Title implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'title';
    }

    public function read(Shape $shape, Type $type): PartContent
    {
        return new PartContent($type->reachable['title'], ['level' => $shape->whole('level', 3, 2, 6)]);
    }

    public static function optionSchemas(): array
    {
        return ['level' => ['type' => 'integer', 'minimum' => 2, 'maximum' => 6]];
    }

    public function show(Part $part, Record $record, Format $format): string
    {
        return $record->title;
    }
}
