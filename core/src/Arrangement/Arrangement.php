<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/**
 * How a module's records are laid out.
 *
 * To add one: a class here, a line in Arrangements, and its view in resources/views/site/arrangements.
 */
interface Arrangement
{
    /** The `as` of a definition. */
    public static function key(): string;

    /** What a manager calls it: “Grid”. */
    public static function label(): string;

    /** From a definition's `arrange`, whose `as` says it. */
    public static function read(Shape $shape, Problems $problems): self;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each key of its own */
    public static function optionSchemas(): array;

    /** How many records stand side by side. */
    public function columnsAt(Width $width): int;

    /** How much of the page's width a picture on a card takes, in percent. */
    public function pictureShareAt(Width $width): int;

    /** @return list<Piece> how it reads after “Lay out as” */
    public function pieces(): array;

    /** @return array<string, mixed> as a definition has it */
    public function toArray(): array;
}
