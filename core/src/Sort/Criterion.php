<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Problem\Shape;

/**
 * What a sort key orders records by.
 *
 * To add one: a class in Criterion/, a line in Criteria, and its query in the application's Listing/Compile/Sort.
 */
interface Criterion
{
    /** As it stands where a definition says nothing more; null where records of the type cannot be ordered by it. */
    public static function of(Type $type): ?self;

    /** The `by` of a definition. */
    public function key(): string;

    /** The same with what a definition says beside `by`; faults are noted. */
    public function read(Shape $shape, Type $type): self;

    /** @return array<string, mixed> what a definition says beside `by` */
    public function options(): array;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each option */
    public static function optionSchemas(): array;

    /** The criterion for one run: with what it takes from the conditions of the module and of the visitor. */
    public function bound(?BoundGroup $where): self;

    /** How its values compare and read. */
    public function family(): Family;

    /** Whether it goes up where a definition says nothing. */
    public function goesUp(): bool;

    /**
     * What is the same for every record is computed once, before the first.
     *
     * @return \Closure(Record): mixed the record's value; null where it is empty
     */
    public function values(SortContext $context): \Closure;

    /** Orders two records that have no value; 0 where the next key decides. */
    public function compareEmpty(Record $a, Record $b): int;

    public function label(): string;

    /** The words for a direction; empty where it has none of its own. */
    public function directionWords(Direction $direction): string;

    /**
     * @param  string  $at  where the sort key stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** Whether its values stand in the items themselves, whatever the moment, so that an index can serve it. */
    public function usesIndex(): bool;

    /** Whether its values are others from midnight on though nothing was written. */
    public function changesDaily(): bool;

    /** Whether it counts views, which are written all the time. */
    public function countsViews(): bool;
}
