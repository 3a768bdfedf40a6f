<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;

/** A row a record, a column a part of the card. */
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

    /** Whether visitors order its rows by a column. */
    public function isSortable(): bool
    {
        return $this->values->flag('sortable');
    }
}
