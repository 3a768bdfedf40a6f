<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** The ways in which records can be laid out. */
enum Arrangement: string
{
    case Grid = 'grid';
    case List = 'list';

    public function words(): string
    {
        return match ($this) {
            self::Grid => 'Grid',
            self::List => 'List',
        };
    }
}
