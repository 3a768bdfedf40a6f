<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Wording\Format;

/**
 * A kind of field: the values that it takes, and how they are read and written.
 *
 * To add one: a class in Kind/ and a line in Kinds. Its key is the `kind` of a type file.
 */
interface Kind
{
    public function key(): string;

    public function family(): Family;

    /** Its name for managers: “Number”. */
    public function words(): string;

    /** @return list<Limit> what a field of this kind may say beyond its words */
    public function limits(): array;

    /** Reads the limits of a field of this kind from a type file, and adds problems. */
    public function readLimits(LimitReader $words): Limits;

    /**
     * Reads a value from JSON into its stored form. An empty value is null.
     *
     * @throws WrongValue
     */
    public function read(mixed $value, Field $field): mixed;

    /**
     * Reads a value from the text of a table cell.
     *
     * @throws WrongValue
     */
    public function readCell(string $cell, Field $field): mixed;

    /**
     * Writes the text of a cell, which readCell() reads back as the same value.
     *
     * @param  mixed  $value  a value from read(), not null
     */
    public function writeCell(mixed $value, Field $field): string;

    /**
     * The value as the site writes it.
     *
     * @param  mixed  $value  a value from read(), not null
     * @param  array<string, string>  $names  the titles of linked items and people, by the value that names them
     * @return string|null null where there is nothing to show
     */
    public function display(mixed $value, Field $field, Format $format, array $names): ?string;

    /**
     * @return array<string, mixed> the JSON Schema (2020-12) of one value, limits included, without title, default
     *   and x-wellspring
     */
    public function schema(Field $field): array;
}
