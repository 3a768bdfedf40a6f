<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Filter\Test\Quantifier;

/** The register of tests. */
final class Tests
{
    /** @var list<Test>|null */
    private static ?array $all = null;

    /** @return list<Test> in the order in which they are offered */
    public static function all(): array
    {
        return self::$all ??= [
            new Test\TermsAmong(Quantifier::Any),
            new Test\TermsAmong(Quantifier::All),
            new Test\TermsAmong(Quantifier::None),
            new Test\ChoiceAmong(Quantifier::Any),
            new Test\ChoiceAmong(Quantifier::All),
            new Test\ChoiceAmong(Quantifier::None),
            new Test\LinksAmong(Quantifier::Any),
            new Test\LinksAmong(Quantifier::All),
            new Test\LinksAmong(Quantifier::None),
            new Test\YesOrNo(true), new Test\YesOrNo(false),
            new Test\Comparison(Test\ComparisonOperator::Equal), new Test\Comparison(Test\ComparisonOperator::NotEqual),
            new Test\Comparison(Test\ComparisonOperator::Less), new Test\Comparison(Test\ComparisonOperator::AtMost),
            new Test\Comparison(Test\ComparisonOperator::More), new Test\Comparison(Test\ComparisonOperator::AtLeast),
            new Test\Between,
            new Test\DateWithinDuration(ahead: true), new Test\DateWithinDuration(ahead: false),
            new Test\DatePast(false), new Test\DatePast(true),
            new Test\DateInCalendarUnit('current'),
            new Test\DateInCalendarUnit('following'),
            new Test\DateInCalendarUnit('previous'),
            new Test\DateIs('on'), new Test\DateIs('before'), new Test\DateIs('after'), new Test\DateIs('between'),
            new Test\TextMatch(Test\TextPosition::Contains, kept: true),
            new Test\TextMatch(Test\TextPosition::Contains, kept: false),
            new Test\TextMatch(Test\TextPosition::Whole, kept: true),
            new Test\TextMatch(Test\TextPosition::Whole, kept: false),
            new Test\TextMatch(Test\TextPosition::Begins, kept: true),
            new Test\TextMatch(Test\TextPosition::Ends, kept: true),
            new Test\TextAmong(Quantifier::Any), new Test\TextAmong(Quantifier::None),
            new Test\NotThisOne, new Test\Related,
            new Test\Search,
            new Test\Within,
            new Test\Filled(true), new Test\Filled(false),
        ];
    }

    /** @param  Test  $test  from an installation's plug-ins */
    public static function add(Test $test): void
    {
        self::$all = [...self::all(), $test];
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$all = null;
    }

    /** @return non-empty-list<Test> */
    public static function for(Family $family): array
    {
        $tests = array_values(array_filter(self::all(), fn (Test $test): bool => $test->suits($family)));

        return $tests === [] ? throw new \LogicException('No test suits '.$family->value.'.') : $tests;
    }

    /**
     * The default test of a new condition on the field: the one that managers use most often with such a field (common
     * practice, no source).
     *
     * @param  list<string>  $taxonomies  keys of the taxonomies that the records have
     * @return array{test: string, value: mixed, isComplete: bool} without `isComplete`, a person still gives the value
     */
    public static function usual(Field $field, array $taxonomies): array
    {
        $key = match ($field->family()) {
            Family::YesNo => 'yes',
            Family::Number => 'gte',
            Family::Text, Family::LongText => 'contains',
            Family::Choice, Family::Choices, Family::Terms, Family::Items, Family::Person => 'anyOf',
            // Publish dates are in the past; dates of other fields are mostly in the future.
            Family::Date, Family::Instant => $field->origin === Origin::Item ? 'inLast' : 'toCome',
            Family::Identity => $taxonomies === [] ? 'notThisOne' : 'related',
            Family::Words => 'search',
            default => 'filled',
        };
        $value = match ($key) {
            'inLast' => ['amount' => 30, 'unit' => 'days'],
            'related' => $taxonomies,
            'search' => ['from' => 'address', 'name' => 'q'],
            default => null,
        };
        $wantsValue = self::find($key, $field->family())?->wantsValue() ?? false;

        return ['test' => $key, 'value' => $value, 'isComplete' => ! $wantsValue || $value !== null];
    }

    public static function find(string $key, Family $family): ?Test
    {
        foreach (self::for($family) as $test) {
            if ($test->key() === $key) {
                return $test;
            }
        }

        return null;
    }
}
