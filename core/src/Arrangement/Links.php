<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\OneOf;

/** A plain list of links with the cards’ titles. */
final readonly class Links extends StandardArrangement
{
    public static function key(): string
    {
        return 'links';
    }

    public static function label(): string
    {
        return 'List of links';
    }

    public static function options(): array
    {
        return [
            new OneOf('mark', 'Mark', [
                'none' => 'None',
                'dot' => 'Dot',
                'number' => 'Number',
                'dash' => 'Dash',
            ], 'none'),
            new ColumnsOption(new Columns(1, 1, 1, 1)), self::minWidth(200),
            self::gap('tight'),
        ];
    }

    public function showsTitleAlone(): bool
    {
        return true;
    }

    public function hasRows(): bool
    {
        return false;
    }
}
