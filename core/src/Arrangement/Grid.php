<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Piece;

/** Records side by side, so many at each width. */
final readonly class Grid implements Arrangement
{
    public function __construct(public Columns $columns = new Columns)
    {
    }

    public static function key(): string
    {
        return 'grid';
    }

    public static function label(): string
    {
        return 'Grid';
    }

    public static function read(Shape $shape, Problems $problems): self
    {
        if (! $shape->has('columns')) {
            return new self;
        }
        $default = new Columns;
        $widths = array_column(Width::cases(), 'value');
        $given = new Shape($shape->raw('columns'), $shape->at('columns'), $problems, $widths);
        $at = fn (Width $width): int => $given->whole($width->value, $default->at($width), 1, Columns::MAX);
        $columns = new Columns($at(Width::Phone), $at(Width::Tablet), $at(Width::Laptop), $at(Width::Desktop));
        $given->noOthers();

        return new self($columns);
    }

    public static function optionSchemas(): array
    {
        $count = ['type' => 'integer', 'minimum' => 1, 'maximum' => Columns::MAX];

        return ['columns' => [
            'type' => 'object',
            'additionalProperties' => false,
            'properties' => array_fill_keys(array_column(Width::cases(), 'value'), $count),
        ]];
    }

    public function columnsAt(Width $width): int
    {
        return $this->columns->at($width);
    }

    public function pictureShareAt(Width $width): int
    {
        return (int) ceil(100 / max(1, $this->columnsAt($width)));
    }

    public function pieces(): array
    {
        $columns = $this->columns;
        $alike = $columns->laptop === $columns->desktop;
        $pieces = [
            new Piece(self::label(), 'arrange.as'),
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

    public function toArray(): array
    {
        return ['as' => self::key(), 'columns' => $this->columns->toArray()];
    }
}
