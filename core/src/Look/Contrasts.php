<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/**
 * The measured contrast of every text and mark of a look on every ground where it can appear.
 *
 * @phpstan-type ContrastShape array{
 *     text: string, ground: string, ratio: float, least: float, level: 'AAA'|'AA'|'passes'|'fails',
 *     nearest: string|null,
 * }
 */
final class Contrasts
{
    /** WCAG 2.2, success criterion 1.4.11: the contrast of things other than text, such as the edge of a field. */
    public const MARK = 3.0;

    /** The opacity of the black veil over pictures with text. White text is readable even on a white picture. */
    private const VEIL_STEP = 0.01;

    /** The texts with a colour of the look's palette, which a manager can change. */
    private const ROLES = ['ink', 'quiet', 'leaf', 'copper'];

    /** The computed pairs of LookVariables: the variable of the text or mark, its ground, the minimum contrast. */
    private const WORKED_OUT = [
        'button' => ['button-ink', 'button-ground', Colour::AA],
        'badge' => ['tag-ink', 'tag-ground', Colour::AA],
        'chosen' => ['on-leaf', 'leaf', Colour::AA],
        'field' => ['ink', 'field', Colour::AA],
        'edge' => ['field-line', 'field', self::MARK],
        'tick' => ['leaf', 'field', self::MARK],
    ];

    /** @return list<ContrastShape> by ground, then by text */
    public static function of(Look $look, Palette $palette): array
    {
        $found = [];
        foreach (['paper', ...GroundPalette::GROUNDS] as $ground) {
            $there = $ground === 'paper' ? $palette : GroundPalette::of($palette, $ground);
            $on = GroundPalette::colour($palette, $ground);
            foreach (self::ROLES as $role) {
                $found[] = self::measured($role, $there->of(Role::from($role)), $ground, $on, Colour::AA);
            }
            $variables = LookVariables::colours($look, $there);
            foreach (self::WORKED_OUT as $text => [$ink, $under, $least]) {
                $found[] = ['nearest' => null] + self::measured(
                    $text,
                    Colour::of($variables[$ink]),
                    $ground,
                    Colour::of($variables[$under]),
                    $least,
                );
            }
        }

        return $found;
    }

    /** The opacity that a black veil needs so that white text passes on any picture: 0 to 1. */
    public static function veil(): float
    {
        $share = 0.0;
        while (Colour::white()->contrast(Colour::white()->mixed(Colour::black(), $share)) < Colour::AA) {
            $share += self::VEIL_STEP;
        }

        return round($share, 2);
    }

    /** @return ContrastShape */
    private static function measured(string $text, Colour $colour, string $ground, Colour $on, float $least): array
    {
        $ratio = $colour->contrast($on);

        return [
            'text' => $text,
            'ground' => $ground,
            'ratio' => floor($ratio * 100) / 100,
            'least' => $least,
            'level' => match (true) {
                $ratio < $least => 'fails',
                $least < Colour::AA => 'passes',
                $ratio >= Colour::AAA => 'AAA',
                default => 'AA',
            },
            'nearest' => $ratio >= $least ? null : $colour->nearestOn($on, $least)?->hex(),
        ];
    }
}
