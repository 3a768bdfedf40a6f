<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;

/** A table: a row for each record, a column for each part of the card. */
final readonly class Table extends StandardArrangement
{
    public static function key(): string
    {
        return 'table';
    }

    public static function label(): string
    {
        return 'Table';
    }

    public static function options(): array
    {
        return [
            new Flag('sortable', 'Sorted by visitors'),
            new OneOf('phone', 'On a phone', [
                'blocks' => 'Each row a block',
                'scroll' => 'Scrolls sideways',
            ], 'blocks'),
        ];
    }

    public function pictureShareAt(Width $width): int
    {
        return $width === Width::Phone ? 30 : 10;
    }

    /** True if visitors can sort by its columns. */
    public function isSortable(): bool
    {
        return $this->values->flag('sortable');
    }
}
