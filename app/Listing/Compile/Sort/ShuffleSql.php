<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\Shuffle;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<Shuffle> */
final class ShuffleSql implements CriterionSql
{
    public function criterion(): string
    {
        return Shuffle::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        $hash = new Fragment('md5(? || items.id) collate "C"', [Shuffle::salt($module->key, $context)]);

        return [new OrderBy($hash, 'text collate "C"', $key->direction === Direction::Up, null)];
    }
}
