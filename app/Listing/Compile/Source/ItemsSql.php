<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Listing\VisibleItems;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\Items;

/** @implements SourceSql<Items> */
final class ItemsSql implements SourceSql
{
    public function source(): string
    {
        return Items::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        return VisibleItems::of($source->typeKeys(), $context);
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return Item::query();
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }
}
