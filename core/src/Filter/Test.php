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
 * The test of a condition: of one value of the record (see the trait ValueTest) or of the record as a whole
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
     * Reads the value to compare with from JSON. Not called for tests without a value.
     *
     * @throws WrongValue
     */
    public function readValue(mixed $value, Field $field): mixed;

    /** @return array<string, mixed> JSON Schema (2020-12) of the value; empty where none is wanted */
    public function valueSchema(): array;

    /**
     * The options of this test in a condition, besides field, test and value.
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

    /** True for a negative test, which keeps records whose value is empty. */
    public function isNegative(): bool;

    /** True if it tests the record as a whole, not a value of it. */
    public function asksRecord(): bool;

    /**
     * True if the page lacks the record that the test needs. The condition's value is then missing.
     */
    public function lacks(Context $context): bool;

    /**
     * @param  mixed  $found  the record's value; null if it is empty
     * @param  BoundCondition  $condition  a condition with a value
     */
    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool;

    /** @param  BoundCondition  $condition  a condition with a value */
    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool;

    /** Its words between the field's name and the value: “is at least”. */
    public function words(Condition $condition): string;

    /** The value in words; empty if there is none. */
    public function valueWords(Condition $condition, Format $format): string;

    /**
     * Its own options in words, after the value.
     *
     * @param  string  $at  the condition's place in the definition
     * @return list<Piece>
     */
    public function optionPieces(Condition $condition, string $at): array;

    /**
     * The references of its value and options. The condition adds the reference to its field.
     *
     * @param  string  $at  the condition's place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(Condition $condition, string $at, array $types): array;

    /**
     * A wider value with which the condition would keep a dropped record; null if the test knows none.
     *
     * @param  mixed  $found  the record's value, not null
     */
    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue;

    /** @return list<SearchTerm> the words that it looks for, by which an order by relevance ranks */
    public function searchTerms(Condition $condition): array;

    /** @return list<string> keys of the taxonomies by whose shared terms records are ordered where nothing is said */
    public function relatedBy(Condition $condition): array;

    /** True if an index on the field can help. */
    public function usesIndex(): bool;

    /** True if the result depends on the names of terms of any taxonomy. */
    public function readsTermNames(): bool;

    /** True if the result may change at midnight without a write. */
    public function changesDaily(Condition $condition): bool;

    /** The span of values that it keeps, if an end of it moves with the clock; otherwise null. */
    public function movingSpan(Condition $condition, Context $context): ?MovingSpan;
}
