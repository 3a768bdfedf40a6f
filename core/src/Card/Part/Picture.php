<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** The record’s picture: the first field of its type that holds one. */
final class Picture implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'picture';
    }

    public function read(Shape $shape, Type $type): ?PartContent
    {
        foreach ($type->fields as $field) {
            if ($field->family() === Family::Picture) {
                return new PartContent($field);
            }
        }
        $shape->wrong('part', 'a part that '.$type->plural.' have; none of their fields holds a picture', 'picture');

        return null;
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        $name = $part->field === null ? null : $record->value($part->field);

        return is_string($name) ? $name : null;
    }

    public function showsPicture(): bool
    {
        return true;
    }
}
