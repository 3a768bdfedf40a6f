<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Wording\Format;

/** Option: money always shows its smaller unit, or only if the amount is not whole: `£279,000`, `£3.50`. */
enum Decimals: string
{
    case Always = 'always';
    case AsNeeded = 'asNeeded';

    private const OPTION = 'decimals';

    public static function option(): OneOf
    {
        return new OneOf(self::OPTION, 'Decimals of money', [
            self::Always->value => 'always', self::AsNeeded->value => 'only where needed',
        ], self::Always->value);
    }

    public static function of(Part $part): self
    {
        return self::tryFrom($part->option(self::OPTION)) ?? self::Always;
    }

    /** The format for an amount. */
    public function format(Format $format, mixed $amount): Format
    {
        return $this === self::AsNeeded && is_numeric($amount) && (float) $amount === floor((float) $amount)
            ? $format->withWholeMoney()
            : $format;
    }
}
