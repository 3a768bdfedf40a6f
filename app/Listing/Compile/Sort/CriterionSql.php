<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\OrderBy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\SortKey;

/**
 * The sort expressions of one of the core's criteria.
 *
 * @template T of \Wellspring\Core\Sort\Criterion
 */
interface CriterionSql
{
    /** @return class-string<T> the criterion that it stands for */
    public function criterion(): string;

    /**
     * @param  T  $by
     * @param  SortKey  $key  the key that uses the criterion
     * @return non-empty-list<OrderBy>
     */
    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array;
}
