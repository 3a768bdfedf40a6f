<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\Term;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Filter\WiderValue;

/** A record's terms compared with a list, with or without the terms below. “None of” keeps records without a term. */
final readonly class TermsAmong extends Among
{
    public function suits(Family $family): bool
    {
        return $family === Family::Terms;
    }

    /** @return non-empty-list<string> slugs */
    public function readValue(mixed $value, Field $field): array
    {
        $known = array_map(fn (Term $term): string => $term->slug, self::taxonomy($field)->terms->all());

        return ValueLists::known($value, $known, "terms of {$field->label}, by slug");
    }

    /**
     * @return list<non-empty-list<string>> for each term of the list the slugs that count as it, terms below included
     *   if asked for
     */
    public function wanted(Condition $condition): array
    {
        $terms = self::taxonomy($condition->field)->terms;

        return array_map(
            fn (string $slug): array => $condition->below ? $terms->withBelow($slug) ?: [$slug] : [$slug],
            ValueLists::texts($condition->value),
        );
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        $has = ValueLists::texts($found);

        return $this->quantifier->holds(
            array_map(fn (array $slugs): bool => array_intersect($has, $slugs) !== [], $this->wanted($condition)),
        );
    }

    public function references(Condition $condition, string $at, array $types): array
    {
        $references = [];
        foreach (is_array($condition->value) ? array_values($condition->value) : [] as $i => $slug) {
            if (is_string($slug)) {
                $references[] = Reference::toTerm("{$at}.value[{$i}]", self::taxonomy($condition->field)->key, $slug);
            }
        }

        return $references;
    }

    private static function taxonomy(Field $field): Taxonomy
    {
        return $field->taxonomy ?? throw new \LogicException('A field of terms has a taxonomy.');
    }

    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        return $this->widenedList($found, $condition, $context);
    }

    public static function optionSchemas(): array
    {
        return ['below' => [
            'description' => 'Of a tree: all below count too.',
            'type' => 'boolean',
            'default' => false,
        ]];
    }
}
