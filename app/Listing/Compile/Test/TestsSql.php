<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use Wellspring\Core\Filter\Test;

/** The register of tests in SQL. */
final readonly class TestsSql
{
    public const CLASSES = [
        FilledSql::class,
        ReadableSql::class,
        YesOrNoSql::class,
        ComparisonSql::class,
        BetweenSql::class,
        DateSql::class,
        TextMatchSql::class,
        TextAmongSql::class,
        ChoiceAmongSql::class,
        TermsAmongSql::class,
        LinksAmongSql::class,
        NotThisOneSql::class,
        RelatedSql::class,
        SearchSql::class,
        WithinSql::class,
    ];

    /** @var array<class-string, TestSql<covariant Test>> by the test's class, or the one that it extends */
    private array $all;

    /** @param  iterable<TestSql<covariant Test>>  $all */
    public function __construct(iterable $all)
    {
        $byClass = [];
        foreach ($all as $sql) {
            $byClass[$sql->test()] = $sql;
        }
        $this->all = $byClass;
    }

    /** @return TestSql<Test> */
    public function find(Test $test): TestSql
    {
        // @phpstan-ignore return.type (the register pairs every test's class with its own query)
        return $this->all[$test::class]
            ?? $this->all[(string) get_parent_class($test)]
            ?? throw new \LogicException('No query is known for '.$test::class.'.');
    }
}
