<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/** Option: the number of columns at each width. */
final readonly class ColumnsOption implements Option
{
    public function __construct(private Columns $columns = new Columns)
    {
    }

    public function key(): string
    {
        return 'columns';
    }

    public function label(): string
    {
        return 'Columns';
    }

    public function default(): Columns
    {
        return $this->columns;
    }

    public function read(Shape $shape): Columns
    {
        if (! $shape->has('columns')) {
            return $this->columns;
        }
        $widths = array_column(Width::cases(), 'value');
        $given = $shape->inner('columns', $widths);
        $at = fn (Width $width): int => $given->whole($width->value, $this->columns->at($width), 1, Columns::MAX);
        $columns = new Columns($at(Width::Phone), $at(Width::Tablet), $at(Width::Laptop), $at(Width::Desktop));
        $given->noOthers();

        return $columns;
    }

    public function words(mixed $value): string
    {
        return '';
    }

    public function schema(): array
    {
        $count = ['type' => 'integer', 'minimum' => 1, 'maximum' => Columns::MAX];

        return [
            'type' => 'object',
            'additionalProperties' => false,
            'properties' => array_fill_keys(array_column(Width::cases(), 'value'), $count),
        ];
    }

    public function describe(): array
    {
        return [
            'key' => 'columns',
            'label' => 'Columns',
            'kind' => 'columns',
            'default' => $this->columns->toArray(),
        ];
    }
}
