<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\AddressOfValues;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;

/** The common options of links and buttons. */
trait LeadsSomewhere
{
    use Defaults;

    public function options(): array
    {
        return [
            new Words('text', 'Words', null, longest: 120),
            new Words('address', 'Leads to', hint: '/plots/{slug}', longest: 500),
        ];
    }

    public function offers(Type $type): array
    {
        return [['label' => $this->label(), 'part' => ['part' => $this->key(), 'text' => 'Read on']]];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $values = OptionValues::read($this->options(), $shape);
        $named = [];
        if ($values->text('address') !== '') {
            $fault = AddressOfValues::fault($values->text('address'), $fields->all);
            if ($fault !== null) {
                $shape->wrong('address', $fault, $values->text('address'));

                return null;
            }
            foreach (AddressOfValues::names($values->text('address')) as $name) {
                $named[] = $fields->all[$name];
            }
        }

        return new PartContent($values, others: $named);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        if ($part->option('address') === '') {
            return PartValue::text($part->option('text'));
        }
        $address = AddressOfValues::of($part->option('address'), $part->others(), $record);

        return $address === null ? null : PartValue::link($part->option('text'), $address);
    }

    public function presence(Part $part): Presence
    {
        return Presence::all(array_map(Presence::filled(...), $part->others()));
    }

    public function words(Part $part): string
    {
        return lcfirst($this->label())." “{$part->option('text')}”";
    }

    /** @return list<Reference> */
    public function references(Part $part, string $at, array $types): array
    {
        return array_map(
            fn (Field $field): Reference => Reference::toFieldWithin("{$at}.address", $field, $types),
            $part->others(),
        );
    }
}
