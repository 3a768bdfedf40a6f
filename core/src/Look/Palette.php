<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Problem\Shape;

/** The colours of a look by role. */
final readonly class Palette
{
    /** @param  array<string, Colour>  $colours  by the value of Role, complete */
    private function __construct(private array $colours)
    {
    }

    /** Every role has a colour. */
    public static function read(Shape $shape): self
    {
        $colours = [];
        foreach (Role::cases() as $role) {
            $hex = $shape->text($role->value);
            $isColour = preg_match(Colour::PATTERN, strtolower($hex)) === 1;
            if (! $isColour && $hex !== '') {
                $shape->wrong($role->value, 'a colour such as #20302c', $hex);
            }
            $colours[$role->value] = $isColour ? Colour::of($hex) : Colour::black();
        }
        $shape->noOthers();

        return new self($colours);
    }

    public function of(Role $role): Colour
    {
        return $this->colours[$role->value];
    }

    /** @param  array<string, Colour>  $colours  by the value of Role; the others stay */
    public function with(array $colours): self
    {
        return new self($colours + $this->colours);
    }

    /**
     * The text colour with the highest contrast on a colour: that of the page's ground or of text, or else white or
     * black.
     */
    public function textOn(Colour $ground): Colour
    {
        $own = $ground->bestText($this->of(Role::Paper), $this->of(Role::Ink));

        return $own->contrast($ground) >= Colour::AA ? $own : $ground->bestText(Colour::white(), Colour::black());
    }

    /** @return array<string, string> `#20302c` by role */
    public function toArray(): array
    {
        return array_map(fn (Colour $colour): string => $colour->hex(), $this->colours);
    }
}
