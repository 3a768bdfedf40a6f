<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/**
 * An arrangement: the layout of a module's records.
 *
 * To add one: a class here (see StandardArrangement), a line in Arrangements, and its view in
 * resources/views/site/arrangements.
 */
interface Arrangement
{
    /** The value of `as` in a definition. */
    public static function key(): string;

    /** Its name for managers: “Grid”. */
    public static function label(): string;

    /** Reads a definition's `arrange` with this `as`. */
    public static function read(Shape $shape): self;

    /** @return list<Option> the keys of its own */
    public static function options(): array;

    /** The number of columns at each width. */
    public function columnsAt(Width $width): int;

    /**
     * The number of columns that fit into a slot, by its width in px.
     *
     * @param  float  $space  one step of the look's spacing, in px
     */
    public function columnsIn(Width $width, float $slot, float $space): int;

    /** The width of a card's picture in percent of the page's width. */
    public function pictureShareAt(Width $width): int;

    /** True if the records form rows of equal length, so that the last row can be short. */
    public function hasRows(): bool;

    /** The number of records that it is made for; null: any number. */
    public function suitedNumber(): ?int;

    /** True if it shows only the title of a card. The other parts then have no effect on the listing. */
    public function showsTitleAlone(): bool;

    /** @return list<string> the classes that its list has, beside those of the columns */
    public function classes(): array;

    /** @return list<string> names of the scripts in resources/js/site that make it better */
    public function scripts(): array;

    /** True if it may change at midnight without a write. */
    public function changesDaily(): bool;

    /** @return list<Piece> how it reads after “Lay out as” */
    public function pieces(): array;

    /** @return array<string, mixed> as a definition has it */
    public function toArray(): array;
}
