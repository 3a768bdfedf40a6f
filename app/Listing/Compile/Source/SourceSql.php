<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/**
 * The records of one of the core's sources as a query named `items`. What is not an item takes an item's columns, so
 * that conditions and orders speak of it alike: id, type_key, slug, title, text, fields, folded.
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
     * Every record of the kind, whether the source takes it or not: items in any state, terms that no item has,
     * accounts that are closed. Nobody but a manager who asks why is told of them.
     *
     * @param  T  $source
     * @return Builder<Item>
     */
    public function allOfKind(object $source, Context $context): Builder;

    /**
     * A record that no row stands for, such as a month that holds nothing; null where there is none.
     *
     * @param  T  $source
     */
    public function unstored(object $source, string $slug, Context $context): ?Record;
}
