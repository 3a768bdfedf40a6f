<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/**
 * What a condition asks of a record: of one value of it (see the trait ValueTest) or of the record as a whole
 * (RecordTest).
 *
 * To add one: a class in Test/, a line in Tests, and its query in the application's Listing/Compile. Two tests may
 * share a key when they suit different families (`anyOf` of choices and of terms).
 */
interface Test
{
    public function key(): string;

    public function suits(Family $family): bool;

    public function wantsValue(): bool;

    /**
     * The value the condition compares with, from JSON. Not called when none is wanted.
     *
     * @throws WrongValue
     */
    public function readValue(mixed $value, Field $field): mixed;

    /** @return array<string, mixed> JSON Schema (2020-12) of the value; empty where none is wanted */
    public function valueSchema(): array;

    /**
     * What a condition says for this test alone, beside field, test and value.
     *
     * @param  Type  $type  of the records
     * @return array<string, mixed> as the definition has it
     */
    public function readOptions(Shape $shape, Field $field, Type $type, Problems $problems): array;

    /**
     * @return array<string, array<string, mixed>> JSON Schema (2020-12) of each key that conditions have for it alone
     */
    public static function optionSchemas(): array;

    /** @return list<'page'|'viewer'|'address'> where its value can be taken from, where it is not given */
    public function valueOrigins(Field $field): array;

    /** Whether it asks that something is not so; then it keeps records whose value is empty. */
    public function isNegative(): bool;

    /** Whether it asks the record as a whole, not a value of it. */
    public function asksRecord(): bool;

    /**
     * Whether it means nothing here, since the page is not about what it asks; the condition's value is missing then.
     */
    public function lacks(Context $context): bool;

    /**
     * @param  mixed  $found  the record's value, null where it is empty
     * @param  BoundCondition  $condition  its value is not missing
     */
    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool;

    /** @param  BoundCondition  $condition  its value is not missing */
    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool;

    /** How the test reads between the field's name and its value: “is at least”. */
    public function words(Condition $condition): string;

    /** How the value reads; empty where there is none. */
    public function valueWords(Condition $condition, Format $format): string;

    /**
     * How its own options read, after the value.
     *
     * @param  string  $at  where the condition stands in the definition
     * @return list<Piece>
     */
    public function optionPieces(Condition $condition, string $at): array;

    /**
     * What its value and options refer to; the condition's field is told by the condition.
     *
     * @param  string  $at  where the condition stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(Condition $condition, string $at, array $types): array;

    /**
     * A value with which the condition would keep a record that it drops; null where the test knows none.
     *
     * @param  mixed  $found  the record's value, not null
     */
    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue;

    /** @return list<SearchTerm> the words that it looks for, by which an order by relevance ranks */
    public function searchTerms(Condition $condition): array;

    /** @return list<string> keys of the taxonomies by whose shared terms records are ordered where nothing is said */
    public function relatedBy(Condition $condition): array;

    /** Whether an index on the field can serve it. */
    public function usesIndex(): bool;

    /** Whether the names of terms decide, of any taxonomy. */
    public function readsTermNames(): bool;

    /** Whether it keeps other records from midnight on though nothing was written. */
    public function changesDaily(Condition $condition): bool;

    /** The values that it keeps, where an end of them moves on with the clock; null where none does. */
    public function movingSpan(Condition $condition, Context $context): ?MovingSpan;
}
