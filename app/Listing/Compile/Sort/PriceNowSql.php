<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\PriceNow;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<PriceNow> */
final class PriceNowSql implements CriterionSql
{
    public function criterion(): string
    {
        return PriceNow::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        [$price, $sale] = [FieldSql::number($by->price), FieldSql::number($by->salePrice)];
        $inside = Fragment::all([
            ...$by->from === null
                ? []
                : [new Fragment('coalesce('.FieldSql::raw($by->from).' collate "C" <= ?, true)', [$context->today()])],
            ...$by->until === null
                ? []
                : [new Fragment('coalesce('.FieldSql::raw($by->until).' collate "C" >= ?, true)', [$context->today()])],
        ]);

        $price = new Fragment(
            "case when {$inside->sql} then coalesce({$sale}, {$price}) else {$price} end",
            $inside->bindings,
        );

        return [new OrderBy($price, 'numeric', $key->direction === Direction::Up, $key->emptyFirst)];
    }
}
