<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Catalogue\CatalogueStore;
use App\Database\PostgresArray;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\ManualOrder;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/**
 * Items without a position come last, newest first.
 *
 * @implements CriterionSql<ManualOrder>
 */
final readonly class ManualOrderSql implements CriterionSql
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function criterion(): string
    {
        return ManualOrder::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        $place = $by->term === null
            ? new Fragment('items.position')
            : new Fragment(
                '(select item_term.position from item_term where item_term.item_id = items.id and item_term.term_id = '
                    .'any(?::bigint[]))',
                [PostgresArray::literal($this->catalogue->termIds($by->term['taxonomy'], [$by->term['slug']]))],
            );

        return [
            new OrderBy($place, 'int', $key->direction === Direction::Up, $key->emptyFirst),
            new OrderBy(
                new Fragment("case when {$place->sql} is null then items.publish_at end", $place->bindings),
                'timestamptz',
                false,
                false,
            ),
        ];
    }
}
