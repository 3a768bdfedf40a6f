<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Listing\Compile\Source\SourceSql;
use App\Listing\RecordRows;
use App\Listing\VisibleItems;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** @implements SourceSql<Twice> */
final class TwiceSql implements SourceSql
{
    public function source(): string
    {
        return Twice::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        return $this->repeated(VisibleItems::of($source->typeKeys(), $context));
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return $this->repeated(Item::query());
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }

    /**
     * @param  Builder<Item>  $items
     * @return Builder<Item>
     */
    private function repeated(Builder $items): Builder
    {
        return RecordRows::named($items->toBase()->select(['items.*', 'later.starts_at'])->crossJoin(
            $items->raw("lateral (values (items.publish_at), (items.publish_at + interval '24 hours'))"
                .' as later(starts_at)'),
        ));
    }
}
