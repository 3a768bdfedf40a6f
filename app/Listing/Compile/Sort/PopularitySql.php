<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\Popularity;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<Popularity> */
final class PopularitySql implements CriterionSql
{
    public function criterion(): string
    {
        return Popularity::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        $views = new Fragment(
            '(select coalesce(sum(item_views.views), 0) from item_views'
                .' where item_views.item_id = items.id and item_views.day between ? and ?)',
            $by->days($context),
        );

        return [new OrderBy($views, 'numeric', $key->direction === Direction::Up, null)];
    }
}
