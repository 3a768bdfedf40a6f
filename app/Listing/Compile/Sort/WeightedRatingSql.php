<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use App\Listing\Sources;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\WeightedRating;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/**
 * The sum is exact; the rest is computed in double precision like in core, so that both agree.
 *
 * @implements CriterionSql<WeightedRating>
 */
final readonly class WeightedRatingSql implements CriterionSql
{
    public function __construct(private Sources $sources)
    {
    }

    public function criterion(): string
    {
        return WeightedRating::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        [$rating, $ratings] = [FieldSql::number($by->rating), FieldSql::number($by->ratings)];
        $rated = "{$rating} is not null and {$ratings} > 0";
        $all = $this->sources->candidates($module->source, $context)->toBase()
            ->selectRaw(
                "sum({$rating} * {$ratings}) filter (where {$rated})::float8 / "
                    ."nullif(sum({$ratings}) filter (where {$rated})::float8, 0)",
            );

        $weighted = new Fragment(
            "(?::float8 * ({$all->toSql()}) + case when {$rated} then ({$rating} * {$ratings})::float8 else 0 end)"
                ." / nullif(?::float8 + case when {$rated} then ({$ratings})::float8 else 0 end, 0)",
            [$by->confidence, ...$all->getBindings(), $by->confidence],
        );

        return [new OrderBy($weighted, 'float8', $key->direction === Direction::Up, $key->emptyFirst)];
    }
}
