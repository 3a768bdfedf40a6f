<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/**
 * Every text of a look on every ground that it can stand on, measured.
 *
 * @phpstan-type ContrastShape array{
 *     text: string, ground: string, ratio: float, level: 'AAA'|'AA'|'fails', nearest: string|null,
 * }
 */
final class Contrasts
{
    /** How much of a black veil lies over pictures that texts stand on: so much that white is read on a white one. */
    private const VEIL_STEP = 0.01;

    /** @var array<string, list<string>> texts by the ground that they stand on */
    private const USED = [
        'paper' => ['ink', 'quiet', 'leaf', 'copper'],
        'bed' => ['ink', 'quiet', 'leaf', 'copper'],
    ];

    /** @return list<ContrastShape> the text on a strong ground, on a badge and on a tinted picture, too */
    public static function of(Palette $palette): array
    {
        $found = [];
        foreach (self::USED as $ground => $texts) {
            foreach ($texts as $text) {
                $found[] = self::measured(
                    $text,
                    $palette->of(Role::from($text)),
                    $ground,
                    $palette->of(Role::from($ground)),
                );
            }
        }
        foreach ([Role::Ink, Role::Leaf, Role::Copper] as $role) {
            $ground = $palette->of($role);
            $found[] = self::measured('on', $palette->textOn($ground), $role->value, $ground);
        }
        $veiled = Colour::white()->mixed(Colour::black(), self::veil());
        $found[] = self::measured('on', Colour::white(), 'picture', $veiled);

        return $found;
    }

    /** The share of black that a veil needs, so that white text passes on any picture: 0 to 1. */
    public static function veil(): float
    {
        $share = 0.0;
        while (Colour::white()->contrast(Colour::white()->mixed(Colour::black(), $share)) < Colour::AA) {
            $share += self::VEIL_STEP;
        }

        return round($share, 2);
    }

    /** @return ContrastShape */
    private static function measured(string $text, Colour $colour, string $ground, Colour $on): array
    {
        $ratio = $colour->contrast($on);

        return [
            'text' => $text,
            'ground' => $ground,
            'ratio' => floor($ratio * 100) / 100,
            'level' => match (true) {
                $ratio >= Colour::AAA => 'AAA',
                $ratio >= Colour::AA => 'AA',
                default => 'fails',
            },
            'nearest' => $ratio >= Colour::AA ? null : $colour->nearestOn($on, Colour::AA)?->hex(),
        ];
    }
}
