<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Filter\Test\Quantity;

/** The register of tests. */
final class Tests
{
    /** @var list<Test>|null */
    private static ?array $all = null;

    /** @return list<Test> in the order in which they are offered */
    public static function all(): array
    {
        return self::$all ??= [
            new Test\TermsAmong(Quantity::Any), new Test\TermsAmong(Quantity::All), new Test\TermsAmong(Quantity::None),
            new Test\ChoiceAmong(Quantity::Any),
            new Test\ChoiceAmong(Quantity::All),
            new Test\ChoiceAmong(Quantity::None),
            new Test\LinksAmong(Quantity::Any), new Test\LinksAmong(Quantity::All), new Test\LinksAmong(Quantity::None),
            new Test\YesOrNo(true), new Test\YesOrNo(false),
            new Test\Comparison(Test\Relation::Equal), new Test\Comparison(Test\Relation::NotEqual),
            new Test\Comparison(Test\Relation::Less), new Test\Comparison(Test\Relation::AtMost),
            new Test\Comparison(Test\Relation::More), new Test\Comparison(Test\Relation::AtLeast),
            new Test\Between,
            new Test\DayNear(ahead: true), new Test\DayNear(ahead: false),
            new Test\DayPast(false), new Test\DayPast(true),
            new Test\DayWithin('current'), new Test\DayWithin('following'), new Test\DayWithin('previous'),
            new Test\DayIs('on'), new Test\DayIs('before'), new Test\DayIs('after'), new Test\DayIs('between'),
            new Test\TextMatch(Test\Place::Contains, kept: true), new Test\TextMatch(Test\Place::Contains, kept: false),
            new Test\TextMatch(Test\Place::Whole, kept: true), new Test\TextMatch(Test\Place::Whole, kept: false),
            new Test\TextMatch(Test\Place::Begins, kept: true), new Test\TextMatch(Test\Place::Ends, kept: true),
            new Test\TextAmong(Quantity::Any), new Test\TextAmong(Quantity::None),
            new Test\NotThisOne, new Test\Related,
            new Test\Search,
            new Test\Filled(true), new Test\Filled(false),
        ];
    }

    /** @return non-empty-list<Test> */
    public static function for(Family $family): array
    {
        $tests = array_values(array_filter(self::all(), fn (Test $test): bool => $test->suits($family)));

        return $tests === [] ? throw new \LogicException('No test suits '.$family->value.'.') : $tests;
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
