<?php

declare(strict_types=1);

namespace Tests\Plugins\Arrangement;

use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/** An arrangement: always two side by side. */
final readonly class Pairs implements Arrangement
{
    public static function key(): string
    {
        return 'pairs';
    }

    public static function label(): string
    {
        return 'Pairs';
    }

    public static function read(Shape $shape): self
    {
        return new self;
    }

    public static function options(): array
    {
        return [];
    }

    public function columnsAt(Width $width): int
    {
        return 2;
    }

    public function columnsIn(Width $width, float $slot, float $space): int
    {
        return $this->columnsAt($width);
    }

    public function pictureShareAt(Width $width): int
    {
        return 50;
    }

    public function hasRows(): bool
    {
        return true;
    }

    public function suitedNumber(): ?int
    {
        return null;
    }

    public function showsTitleAlone(): bool
    {
        return false;
    }

    public function classes(): array
    {
        return [];
    }

    public function scripts(): array
    {
        return [];
    }

    public function changesDaily(): bool
    {
        return false;
    }

    public function pieces(): array
    {
        return [new Piece('Pairs', 'arrange.as')];
    }

    public function toArray(): array
    {
        return ['as' => 'pairs'];
    }
}
