<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** A colour of sRGB. Luminance and contrast are those of WCAG 2.2, “relative luminance” and “contrast ratio”. */
final readonly class Colour
{
    public const PATTERN = '/^#[0-9a-f]{6}$/D';

    /** Contrast of normal text: WCAG 2.2, success criteria 1.4.3 and 1.4.6. */
    public const AA = 4.5;

    public const AAA = 7.0;

    /**
     * @param  int  $red  0 to 255
     * @param  int  $green  0 to 255
     * @param  int  $blue  0 to 255
     */
    private function __construct(public int $red, public int $green, public int $blue)
    {
    }

    /**
     * @param  string  $hex  `#20302c`
     *
     * @throws \InvalidArgumentException
     */
    public static function of(string $hex): self
    {
        if (preg_match(self::PATTERN, strtolower($hex)) !== 1) {
            throw new \InvalidArgumentException("“{$hex}” is no colour; expected for instance “#20302c”.");
        }

        return new self(
            (int) hexdec(substr($hex, 1, 2)),
            (int) hexdec(substr($hex, 3, 2)),
            (int) hexdec(substr($hex, 5, 2)),
        );
    }

    public static function white(): self
    {
        return new self(255, 255, 255);
    }

    public static function black(): self
    {
        return new self(0, 0, 0);
    }

    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', $this->red, $this->green, $this->blue);
    }

    /** The relative luminance from 0, black, to 1, white. */
    public function luminance(): float
    {
        $linear = function (int $channel): float {
            $share = $channel / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        };

        return 0.2126 * $linear($this->red) + 0.7152 * $linear($this->green) + 0.0722 * $linear($this->blue);
    }

    /** The contrast ratio from 1, none, to 21, black on white. The order of the two does not matter. */
    public function contrast(self $other): float
    {
        [$one, $two] = [$this->luminance(), $other->luminance()];

        return (max($one, $two) + 0.05) / (min($one, $two) + 0.05);
    }

    /** @param  float  $share  opacity of the other colour, which is laid over this one: 0 to 1 */
    public function mixed(self $other, float $share): self
    {
        $mix = fn (int $from, int $to): int => (int) round($from + ($to - $from) * $share);

        return new self(
            $mix($this->red, $other->red),
            $mix($this->green, $other->green),
            $mix($this->blue, $other->blue),
        );
    }

    /** The given colour with the highest contrast on this one. */
    public function bestText(self $one, self $two): self
    {
        return $this->contrast($one) >= $this->contrast($two) ? $one : $two;
    }

    /**
     * The most similar colour that reaches the contrast on a ground: darker or lighter, whichever changes less.
     *
     * @return self|null null where neither black nor white reaches it
     */
    public function nearestOn(self $ground, float $ratio): ?self
    {
        $found = [];
        foreach ([self::black(), self::white()] as $towards) {
            for ($step = 0; $step <= 255; $step++) {
                $made = $this->mixed($towards, $step / 255);
                if ($made->contrast($ground) >= $ratio) {
                    $found[] = [$this->distance($made), $made];
                    break;
                }
            }
        }
        usort($found, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $found[0][1] ?? null;
    }

    private function distance(self $other): int
    {
        return ($this->red - $other->red) ** 2 + ($this->green - $other->green) ** 2
            + ($this->blue - $other->blue) ** 2;
    }
}
