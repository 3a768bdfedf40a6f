<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Catalogue\CatalogueStore;
use App\Database\PostgresArray;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\SharedTerms;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** @implements CriterionSql<SharedTerms> */
final readonly class SharedTermsSql implements CriterionSql
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function criterion(): string
    {
        return SharedTerms::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        $shared = new Fragment(
            '(select count(*) from item_term'
                .' where item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
            [PostgresArray::literal($this->catalogue->termsOf($context->pageItem(), $by->taxonomies))],
        );

        return [new OrderBy($shared, 'bigint', $key->direction === Direction::Up, null)];
    }
}
