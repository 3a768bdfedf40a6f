<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;

/**
 * What a sort key puts records in order by.
 *
 * To add one: a class in Criterion/, its reading in OrderReader, and its query in the application's Listing/OrderSql.
 */
interface Criterion
{
    /** The `by` of a definition. */
    public function key(): string;

    /** How its values compare and read. */
    public function family(): Family;

    /** Whether it goes up where a definition says nothing. */
    public function goesUp(): bool;

    /**
     * What is the same for every record is computed once, before the first.
     *
     * @return \Closure(Record): mixed the record's value; null where it is empty
     */
    public function values(SortContext $ordering): \Closure;

    public function label(): string;

    /** The words for a direction; empty where it has none of its own. */
    public function directionWords(Direction $direction): string;

    /** @return array<string, mixed> what a definition says beside `by` */
    public function options(): array;
}
