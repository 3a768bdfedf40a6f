<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Wording\Format;

/**
 * A kind of field: what values it takes and how they are read and written.
 *
 * To add one: a class in Kind/ and a line in Kinds. Its key is the `kind` of a type file.
 */
interface Kind
{
    public function key(): string;

    public function family(): Family;

    /** What a manager calls it: “Number”. */
    public function words(): string;

    /** @return list<Limit> what a field of this kind may say beyond its words */
    public function limits(): array;

    /** The limits that a type file says of a field of this kind; faults are noted. */
    public function readLimits(LimitReader $words): Limits;

    /**
     * A value as it is stored, from a value of JSON. An empty value is read as null.
     *
     * @throws WrongValue
     */
    public function read(mixed $value, Field $field): mixed;

    /**
     * The same from the text of a table's cell.
     *
     * @throws WrongValue
     */
    public function readCell(string $cell, Field $field): mixed;

    /**
     * The text of a cell that readCell() reads as the value again.
     *
     * @param  mixed  $value  one that read() gave, not null
     */
    public function writeCell(mixed $value, Field $field): string;

    /**
     * How the value reads, as the site writes it.
     *
     * @param  mixed  $value  one that read() gave, not null
     * @param  array<string, string>  $names  how linked items and people are called, by the value that names them
     * @return string|null null where there is nothing to show
     */
    public function display(mixed $value, Field $field, Format $format, array $names): ?string;

    /**
     * @return array<string, mixed> the JSON Schema (2020-12) of one value, limits included, without title, default
     *   and x-wellspring
     */
    public function schema(Field $field): array;
}
