<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\FieldKey;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartPiece;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Problem\Shape;

/** The record’s terms of one taxonomy, each with a link to its page. */
final class Terms implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'terms';
    }

    public function label(): string
    {
        return 'Terms';
    }

    public function options(): array
    {
        return [
            new FieldKey([Family::Terms], 'taxonomy', 'Taxonomy'),
            new Whole('most', 'At most', null, 1, 50),
            new Flag('linked', 'Each leads to its page', true),
        ];
    }

    public function offers(Type $type): array
    {
        $offers = [];
        foreach ($type->taxonomies as $taxonomy) {
            $offers[] = ['label' => $taxonomy->label, 'part' => ['part' => 'terms', 'taxonomy' => $taxonomy->key]];
        }

        return $offers;
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $fields->named(
            $shape,
            'taxonomy',
            fn (Field $field): bool => $field->family() === Family::Terms && $field->through === null,
            'a taxonomy',
        );
        $values = OptionValues::read($this->options(), $shape);

        return $field === null ? null : new PartContent($values, $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $taxonomy = $part->field?->taxonomy;
        $slugs = $taxonomy === null ? [] : $record->terms($taxonomy->key);
        $pieces = [];
        foreach ($part->number('most') > 0 ? array_slice($slugs, 0, $part->number('most')) : $slugs as $slug) {
            $pieces[] = new PartPiece(
                $taxonomy?->terms->find($slug)->name ?? $slug,
                'term',
                $part->flag('linked') ? [$taxonomy->key ?? '', $slug] : null,
            );
        }

        return $pieces === [] ? null : PartValue::pieces($pieces, ', ');
    }

    public function words(Part $part): string
    {
        return lcfirst($part->field->label ?? $this->label());
    }
}
