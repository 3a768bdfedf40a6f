<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/** One record below the other. */
final readonly class ListArrangement implements Arrangement
{
    public static function key(): string
    {
        return 'list';
    }

    public static function label(): string
    {
        return 'List';
    }

    public static function read(Shape $shape, Problems $problems): self
    {
        return new self;
    }

    public static function optionSchemas(): array
    {
        return [];
    }

    public function columnsAt(Width $width): int
    {
        return 1;
    }

    public function pictureShareAt(Width $width): int
    {
        return 30;
    }

    public function pieces(): array
    {
        return [new Piece(self::label(), 'arrange.as')];
    }

    public function toArray(): array
    {
        return ['as' => self::key()];
    }
}
