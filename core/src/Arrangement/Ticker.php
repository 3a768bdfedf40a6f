<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Whole;

/** Headlines in one line that change by themselves. */
final readonly class Ticker extends StandardArrangement
{
    public static function key(): string
    {
        return 'ticker';
    }

    public static function label(): string
    {
        return 'Ticker';
    }

    public static function options(): array
    {
        return [
            new OneOf('effect', 'Headlines', ['change' => 'Change', 'type' => 'Type themselves out'], 'change'),
            new OneOf('mark', 'Mark while typing', [
                'none' => 'None',
                'bar' => 'Bar',
                'block' => 'Block',
                'underline' => 'Underline',
            ], 'bar'),
            new Whole('seconds', 'Each stays for', 5, 2, 60, 'seconds'),
            new Flag('today', 'With today’s date'),
        ];
    }

    public function scripts(): array
    {
        return ['ticker'];
    }

    public function changesDaily(): bool
    {
        return $this->values->flag('today');
    }
}
