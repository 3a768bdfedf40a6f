<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use App\Listing\Compile\Test\SearchSql;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\Relevance;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<Relevance> */
final class RelevanceSql implements CriterionSql
{
    public function criterion(): string
    {
        return Relevance::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        $sums = array_map(SearchSql::weight(...), $by->terms);
        $sum = $sums === [] ? new Fragment('0::int') : new Fragment(
            '('.implode(' + ', array_map(fn (Fragment $one): string => $one->sql, $sums)).')',
            array_merge(...array_map(fn (Fragment $one): array => $one->bindings, $sums)),
        );

        return [new OrderBy($sum, 'int', $key->direction === Direction::Up, null)];
    }
}
