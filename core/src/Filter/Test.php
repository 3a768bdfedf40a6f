<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Format;

/**
 * What a condition asks of a field's value.
 *
 * To add one: a class in Test/, a line in Tests, and its query in the application's Listing/Compile.
 * Two tests may share a key when they suit different families (`anyOf` of choices and of terms).
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

    /** Whether it asks that something is not so; then it keeps records whose value is empty. */
    public function isNegative(): bool;

    /**
     * @param  mixed  $found  the record's value, null where it is empty
     * @param  Condition  $condition  bound: its value is given
     */
    public function keeps(mixed $found, Condition $condition, Context $context): bool;

    /** How the test reads between the field's name and its value: “is at least”. */
    public function words(Condition $condition): string;

    /** How the value reads; empty where there is none. */
    public function valueWords(Condition $condition, Format $format): string;
}
