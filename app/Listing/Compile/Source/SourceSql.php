<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/**
 * The records of one of the core's sources, as a query named `items`. Every kind of record has the columns of an item,
 * so that conditions and orders work alike: id, type_key, slug, title, text, fields, folded.
 *
 * @template T of \Wellspring\Core\Source\Source
 */
interface SourceSql
{
    /** @return class-string<T> the source that it stands for */
    public function source(): string;

    /**
     * @param  T  $source
     * @return Builder<Item>
     */
    public function candidates(object $source, Context $context): Builder;

    /**
     * Every record of the kind, whether or not the source takes it: items in any state, terms without items, closed
     * accounts. Only a manager who asks "why?" sees them.
     *
     * @param  T  $source
     * @return Builder<Item>
     */
    public function allOfKind(object $source, Context $context): Builder;

    /**
     * A record that has no row in the query, such as a month without items. Null if the slug names no such record.
     *
     * @param  T  $source
     */
    public function unstored(object $source, string $slug, Context $context): ?Record;
}
