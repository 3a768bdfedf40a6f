<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Taxonomy;
use Wellspring\Core\Content\Term;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;

/** A term among those given, with or without all below them. “None of” keeps records without a term. */
final readonly class TermsOneOf implements Test
{
    public function __construct(public bool $kept)
    {
    }

    public function key(): string
    {
        return $this->kept ? 'anyOf' : 'noneOf';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Terms;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    /** @return non-empty-list<string> slugs */
    public function readValue(mixed $value, Field $field): array
    {
        $known = array_map(fn (Term $term): string => $term->slug, self::taxonomy($field)->terms->all());

        return ChoiceOneOf::slugs($value, $known, "terms of {$field->label}, by slug");
    }

    /** @return list<string> the slugs that count, those below included where asked for */
    public function wanted(Condition $condition): array
    {
        $slugs = [];
        foreach (is_array($condition->value) ? $condition->value : [] as $slug) {
            if (is_string($slug)) {
                array_push($slugs, ...($condition->below ? self::taxonomy($condition->field)->terms->withBelow($slug) : [$slug]));
            }
        }

        return array_values(array_unique($slugs));
    }

    public function keeps(mixed $found, Condition $condition): bool
    {
        return (array_intersect(is_array($found) ? $found : [], $this->wanted($condition)) !== []) === $this->kept;
    }

    public function words(Condition $condition): string
    {
        return (new ChoiceOneOf($this->kept))->words($condition);
    }

    public function valueWords(Condition $condition): string
    {
        return (new ChoiceOneOf($this->kept))->valueWords($condition);
    }

    private static function taxonomy(Field $field): Taxonomy
    {
        return $field->taxonomy ?? throw new \LogicException('A field of terms has a taxonomy.');
    }
}
