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

/** The record’s price, in the site’s currency. */
final class Price implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'price';
    }

    public function read(Shape $shape, Type $type): ?PartContent
    {
        $field = $type->fields['price'] ?? null;
        if ($field?->kind->key() !== 'money') {
            $shape->wrong(
                'part',
                'a part that '.$type->plural.' have; they have no field “price” of the kind money',
                'price',
            );

            return null;
        }

        return new PartContent($field);
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        return $part->fieldText($record, $format);
    }
}
