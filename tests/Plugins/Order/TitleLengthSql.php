<?php

declare(strict_types=1);

namespace Tests\Plugins\Order;

use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use App\Listing\Compile\Sort\CriterionSql;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<TitleLength> */
final class TitleLengthSql implements CriterionSql
{
    public function criterion(): string
    {
        return TitleLength::class;
    }

    public function orders(object $by, SortKey $key, Module $module, Context $context): array
    {
        return [new OrderBy(new Fragment('char_length(items.title)'), 'int', $key->direction === Direction::Up, null)];
    }
}
