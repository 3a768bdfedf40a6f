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
 * The criterion of a sort key.
 *
 * To add one: a class in Criterion/, a line in Criteria, and its query in the application's Listing/Compile/Sort.
 */
interface Criterion
{
    /** The criterion with its defaults; null if records of the type cannot be sorted by it. */
    public static function of(Type $type): ?self;

    /** The value of `by` in a definition. */
    public function key(): string;

    /** Reads its options besides `by`, and adds problems for invalid ones. */
    public function read(Shape $shape, Type $type): self;

    /** @return array<string, mixed> what a definition says beside `by` */
    public function options(): array;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each option */
    public static function optionSchemas(): array;

    /** Binds the criterion to a run, with what it takes from the conditions of the module and the visitor. */
    public function bound(?BoundGroup $where): self;

    /** The family of its values, which decides how they compare and read. */
    public function family(): Family;

    /** The default direction. */
    public function goesUp(): bool;

    /**
     * Returns a function of one record. What is the same for all records is computed once.
     *
     * @return \Closure(Record): mixed the record's value; null where it is empty
     */
    public function values(SortContext $context): \Closure;

    /** Compares two records without a value; 0 if the next key decides. */
    public function compareEmpty(Record $a, Record $b): int;

    public function label(): string;

    /** The words for a direction; empty if it has none of its own. */
    public function directionWords(Direction $direction): string;

    /**
     * @param  string  $at  the sort key's place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** True if its values depend only on the items, not on the time, so that an index can help. */
    public function usesIndex(): bool;

    /** True if its values may change at midnight without a write. */
    public function changesDaily(): bool;

    /** True if it counts views, which change continuously. */
    public function countsViews(): bool;
}
