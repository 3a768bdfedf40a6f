<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** The item's title, a heading that leads to its own page. */
final class Title implements PartKind
{
    public function key(): string
    {
        return 'title';
    }

    public function field(Shape $shape, Type $type): Field
    {
        return $type->reachable['title'];
    }

    public function options(Shape $shape): array
    {
        return ['level' => $shape->whole('level', 3, 2, 6)];
    }

    public function show(Part $part, Record $record, Format $format): string
    {
        return $record->title;
    }

    public function words(Field $field): string
    {
        return 'title';
    }
}
