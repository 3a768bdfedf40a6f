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

/** The item's price, in the site's currency. */
final class Price implements PartKind
{
    public function key(): string
    {
        return 'price';
    }

    public function field(Shape $shape, Type $type): ?Field
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

        return $field;
    }

    public function options(Shape $shape): array
    {
        return [];
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        return $part->field->display($record->value($part->field), $format);
    }

    public function words(Field $field): string
    {
        return 'price';
    }
}
