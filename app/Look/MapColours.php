<?php

declare(strict_types=1);

namespace App\Look;

use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\Role;

/** The colours of map tiles in a look. Their name is part of a tile's address, so tiles may be cached. */
final readonly class MapColours
{
    private function __construct(public string $sea, public string $land, public string $coast)
    {
    }

    public static function of(Look $look): self
    {
        $colours = $look->colours;

        return new self(
            $colours->of(Role::Bed)->hex(),
            $colours->of(Role::Paper)->hex(),
            $colours->of(Role::Quiet)->hex(),
        );
    }

    /** @return string hexadecimal digits of the three: `f1efe6fdfcf756655f` */
    public function name(): string
    {
        return str_replace('#', '', $this->sea.$this->land.$this->coast);
    }

    /** @param  string  $name  see name() */
    public static function named(string $name): ?self
    {
        return preg_match('/^([0-9a-f]{6})([0-9a-f]{6})([0-9a-f]{6})$/D', $name, $found) === 1
            ? new self("#{$found[1]}", "#{$found[2]}", "#{$found[3]}")
            : null;
    }
}
