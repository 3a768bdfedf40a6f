<?php

declare(strict_types=1);

namespace Tests\Plugins\Source;

use App\Listing\Compile\Source\SourceSql;
use App\Listing\VisibleItems;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** @implements SourceSql<Titled> */
final class TitledSql implements SourceSql
{
    public function source(): string
    {
        return Titled::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        return VisibleItems::of($source->typeKeys(), $context)->where('items.title', 'like', "{$source->letter}%");
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
