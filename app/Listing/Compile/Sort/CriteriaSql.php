<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use Wellspring\Core\Sort\Criterion;

/** The register of criteria in SQL. */
final readonly class CriteriaSql
{
    public const CLASSES = [
        FieldValueSql::class,
        PriceNowSql::class,
        PopularitySql::class,
        WeightedRatingSql::class,
        ShuffleSql::class,
        ManualOrderSql::class,
        SharedTermsSql::class,
        RelevanceSql::class,
    ];

    /** @var array<class-string, CriterionSql<covariant Criterion>> by the criterion's class */
    private array $all;

    /** @param  iterable<CriterionSql<covariant Criterion>>  $all */
    public function __construct(iterable $all)
    {
        $byClass = [];
        foreach ($all as $sql) {
            $byClass[$sql->criterion()] = $sql;
        }
        $this->all = $byClass;
    }

    /** @return CriterionSql<Criterion> */
    public function find(Criterion $criterion): CriterionSql
    {
        // @phpstan-ignore return.type (the register pairs every criterion's class with its own query)
        return $this->all[$criterion::class]
            ?? throw new \LogicException('No order is known for '.$criterion::class.'.');
    }
}
