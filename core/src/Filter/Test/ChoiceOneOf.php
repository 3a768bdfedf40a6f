<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;

/** A choice among those given. “None of” keeps records without a choice. */
final readonly class ChoiceOneOf implements Test
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
        return $family === Family::Choice || $family === Family::Choices;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    /** @return non-empty-list<string> */
    public function readValue(mixed $value, Field $field): array
    {
        return self::slugs($value, array_map(strval(...), array_keys($field->choices)), "choices of {$field->label}");
    }

    public function keeps(mixed $found, Condition $condition): bool
    {
        $given = is_array($condition->value) ? $condition->value : [];

        return (array_intersect(is_array($found) ? $found : array_filter([$found], is_string(...)), $given) !== []) === $this->kept;
    }

    public function words(Condition $condition): string
    {
        $many = is_array($condition->value) && count($condition->value) > 1;

        return $this->kept ? ($many ? 'is any of' : 'is') : ($many ? 'is none of' : 'is not');
    }

    public function valueWords(Condition $condition): string
    {
        return implode(', ', array_map(
            fn (mixed $key): string => $condition->field->choiceLabel(is_string($key) ? $key : ''),
            is_array($condition->value) ? $condition->value : [],
        ));
    }

    /**
     * @param  list<string>  $known
     * @return non-empty-list<string>
     *
     * @throws WrongValue
     */
    public static function slugs(mixed $value, array $known, string $what): array
    {
        if (! is_array($value) || ! array_is_list($value) || $value === []) {
            throw WrongValue::expected("a list of {$what}, at least one", $value);
        }
        $slugs = [];
        foreach ($value as $one) {
            if (! is_string($one) || ! in_array($one, $known, true)) {
                $some = implode(', ', array_slice($known, 0, 12)).(count($known) > 12 ? ', …' : '');
                throw WrongValue::expected("{$what} ({$some})", $one);
            }
            $slugs[] = $one;
        }

        return array_values(array_unique($slugs));
    }
}
