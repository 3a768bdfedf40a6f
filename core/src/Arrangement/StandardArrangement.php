<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/** An arrangement that consists of its options. */
abstract readonly class StandardArrangement implements Arrangement
{
    /** Options whose values are CSS classes of the list: `gap-wide`. */
    private const AS_CLASSES = ['minWidth', 'gap', 'shape', 'crop', 'align', 'picture', 'mark', 'phone'];

    /** Gaps between cards in steps of the look's spacing, as in resources/css/site/cards.css. */
    private const GAPS = ['none' => 0, 'tight' => 1, 'normal' => 2.5, 'wide' => 5];

    final private function __construct(public OptionValues $values)
    {
    }

    /** The values with their defaults. */
    final public static function plain(): static
    {
        return new static(OptionValues::defaults(static::options()));
    }

    final public static function read(Shape $shape): static
    {
        return new static(OptionValues::read(static::options(), $shape));
    }

    public function columnsAt(Width $width): int
    {
        $columns = $this->values->get('columns');

        return $columns instanceof Columns ? $columns->at($width) : 1;
    }

    public function columnsIn(Width $width, float $slot, float $space): int
    {
        $narrowest = $this->values->get('minWidth');
        $gap = $space * (self::GAPS[$this->values->text('gap')] ?? self::GAPS['normal']);

        return is_int($narrowest)
            ? Columns::fitting($this->columnsAt($width), $slot, $gap, $narrowest)
            : $this->columnsAt($width);
    }

    public function pictureShareAt(Width $width): int
    {
        return (int) ceil(100 / max(1, $this->columnsAt($width)));
    }

    public function hasRows(): bool
    {
        return $this->values->get('columns') instanceof Columns;
    }

    public function suitedNumber(): ?int
    {
        return null;
    }

    public function classes(): array
    {
        $classes = [];
        foreach (self::AS_CLASSES as $key) {
            $value = $this->values->get($key);
            if (is_int($value) || is_string($value) && $value !== '') {
                $classes[] = "{$key}-{$value}";
            }
        }

        return $classes;
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
        $pieces = [new Piece(static::label(), 'arrange.as'), ...$this->columnPieces()];
        $said = $this->values->said();
        foreach (static::options() as $option) {
            $words = isset($said[$option->key()]) ? $option->words($said[$option->key()]) : '';
            if ($words !== '') {
                array_push($pieces, new Piece(', '), new Piece($words, "arrange.{$option->key()}"));
            }
        }

        return $pieces;
    }

    public function showsTitleAlone(): bool
    {
        return false;
    }

    public function toArray(): array
    {
        $columns = $this->values->get('columns');

        // The columns are always written, because the bench shows a box for each.
        return ['as' => static::key()] + ($columns instanceof Columns ? ['columns' => $columns->toArray()] : [])
            + array_diff_key($this->values->said(), ['columns' => null]);
    }

    /** The minimum width of a card. A slot too narrow for all columns has fewer. */
    protected static function minWidth(int $default = 160): Option
    {
        return new Whole('minWidth', 'Narrowest card', $default, 80, 480, 'px', 20);
    }

    /** The gap between records. */
    protected static function gap(string $default = 'normal'): Option
    {
        return new OneOf('gap', 'Gap', [
            'none' => 'None',
            'tight' => 'Tight',
            'normal' => 'Normal',
            'wide' => 'Wide',
        ], $default);
    }

    /** The position of a card's picture. */
    protected static function picture(): Option
    {
        return new OneOf('picture', 'Picture stands', [
            'left' => 'Left',
            'right' => 'Right',
            'above' => 'Above',
        ], 'left');
    }

    protected static function align(): Option
    {
        return new OneOf('align', 'Alignment', ['start' => 'Start', 'centre' => 'Centre', 'end' => 'End'], 'start');
    }

    /** @return list<Piece> */
    private function columnPieces(): array
    {
        $columns = $this->values->get('columns');
        if (! $columns instanceof Columns) {
            return [];
        }
        $alike = $columns->laptop === $columns->desktop;
        $pieces = [
            new Piece(', '),
            new Piece((string) $columns->desktop, 'arrange.columns.desktop'),
            new Piece($alike ? ' across' : ' across on desktop'),
        ];
        foreach ([...$alike ? [] : [Width::Laptop], Width::Tablet, Width::Phone] as $width) {
            array_push(
                $pieces,
                new Piece(' · '),
                new Piece((string) $columns->at($width), 'arrange.columns.'.$width->value),
                new Piece(' on '.$width->value),
            );
        }

        return $pieces;
    }
}
