<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/**
 * How a module's records are laid out.
 *
 * To add one: a class here (see StandardArrangement), a line in Arrangements, and its view in
 * resources/views/site/arrangements.
 */
interface Arrangement
{
    /** The `as` of a definition. */
    public static function key(): string;

    /** What a manager calls it: “Grid”. */
    public static function label(): string;

    /** From a definition's `arrange`, whose `as` says it. */
    public static function read(Shape $shape): self;

    /** @return list<Option> the keys of its own */
    public static function options(): array;

    /** How many records stand side by side. */
    public function columnsAt(Width $width): int;

    /**
     * How many records a slot has room for side by side, in px.
     *
     * @param  float  $space  a step of the look's room
     */
    public function columnsIn(Width $width, float $slot, float $space): int;

    /** How much of the page's width a picture on a card takes, in percent. */
    public function pictureShareAt(Width $width): int;

    /** Whether the records stand in rows of as many as there are columns, so that a last row can be short. */
    public function hasRows(): bool;

    /** How many records it is made for; null: any number. */
    public function suitedNumber(): ?int;

    /** Whether it shows a card's title alone. The other parts then have no effect on the listing. */
    public function showsTitleAlone(): bool;

    /** @return list<string> the classes that its list has, beside those of the columns */
    public function classes(): array;

    /** @return list<string> names of the scripts in resources/js/site that make it better */
    public function scripts(): array;

    /** Whether it shows something else from midnight on though nothing was written. */
    public function changesDaily(): bool;

    /** @return list<Piece> how it reads after “Lay out as” */
    public function pieces(): array;

    /** @return array<string, mixed> as a definition has it */
    public function toArray(): array;
}
