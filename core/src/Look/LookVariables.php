<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** The custom properties of CSS for a look. All of resources/css/site uses them. */
final class LookVariables
{
    private const SHADOWS = [
        'none' => 'none',
        'soft' => '0 1px 2px rgb(0 0 0 / 0.06), 0 4px 14px rgb(0 0 0 / 0.07)',
        'deep' => '0 2px 4px rgb(0 0 0 / 0.1), 0 10px 30px rgb(0 0 0 / 0.16)',
    ];

    private const MARKS = ['none' => 'none', 'arrow' => '"↗"', 'plus' => '"+"', 'dot' => '"●"'];

    /** Corner radii in CSS. */
    private const CHOICE_MARKS = ['leaf' => '75% 15% 75% 15%', 'square' => '2px', 'round' => '50%'];

    private const DENSITY = ['tight' => 0.75, 'even' => 1.0, 'roomy' => 1.25];

    /** @return array<string, string> by name, without the two hyphens */
    public static function of(Look $look): array
    {
        return self::type($look) + self::room($look) + self::shape($look) + self::pointed($look);
    }

    /** @return array<string, string> the properties of the page and of what lies on it, by name */
    public static function page(Look $look, Palette $palette): array
    {
        $divider = $look->text('divider', 'colour');

        return [
            ...self::colours($look, $palette),
            ...$divider === 'band' ? [] : ['divider-colour' => $palette->of(Role::from($divider))->hex()],
            'veil' => 'rgb(0 0 0 / '.Contrasts::veil().')',
        ];
    }

    /**
     * The custom properties that a ground sets, by name.
     *
     * @param  value-of<GroundPalette::GROUNDS>  $ground
     * @return array<string, string>
     */
    public static function ground(Look $look, Palette $palette, string $ground): array
    {
        return [
            'ground' => $ground === 'picture' ? '#000' : $palette->of(Role::from($ground))->hex(),
            ...self::colours($look, GroundPalette::of($palette, $ground)),
        ];
    }

    /** @return array<string, string> what depends on the colours, by name */
    public static function colours(Look $look, Palette $palette): array
    {
        $hex = fn (Role $role): string => $palette->of($role)->hex();
        $paper = $palette->of(Role::Paper);
        $isDark = $paper->luminance() < $palette->of(Role::Ink)->luminance();
        $field = $paper->mixed($isDark ? Colour::black() : Colour::white(), $isDark ? 0.2 : 0.7);
        $named = fn (string $group): Colour => $palette->of(Role::from($look->text($group, 'colour')));
        $tint = $palette->of(Role::from($look->text('pointed', 'tint')));
        $card = $look->text('shape', 'card');

        return [
            'paper' => $hex(Role::Paper),
            'bed' => $hex(Role::Bed),
            'ink' => $hex(Role::Ink),
            'quiet' => $hex(Role::Quiet),
            'leaf' => $hex(Role::Leaf),
            'copper' => $hex(Role::Copper),
            'line' => $hex(Role::Line),
            'on-ink' => $palette->textOn($palette->of(Role::Ink))->hex(),
            'on-leaf' => $palette->textOn($palette->of(Role::Leaf))->hex(),
            'on-copper' => $palette->textOn($palette->of(Role::Copper))->hex(),
            'field' => $field->hex(),
            'field-line' => self::edge($palette)->hex(),
            'link' => $hex(Role::Leaf),
            'link-line' => match ($look->text('links', 'style')) {
                'underlined' => 'currentcolor',
                'coloured' => 'transparent',
                default => $hex(Role::Line),
            },
            ...self::inStyle('button', $look->text('buttons', 'style'), $named('buttons'), $palette),
            ...self::inStyle('tag', $look->text('badges', 'style'), $named('badges'), $palette),
            'pointed-tint' => $look->text('pointed', 'effect') === 'tint'
                ? "rgb({$tint->red} {$tint->green} {$tint->blue} / {$look->number('pointed', 'strength')}%)"
                : 'transparent',
            'pointed-ink' => $palette->textOn($tint)->hex(),
            'picture-border' => match ($look->text('shape', 'border')) {
                'line' => "1px solid {$hex(Role::Line)}",
                'strong' => "2px solid {$hex(Role::Ink)}",
                default => '0 solid',
            },
            'card-border' => $card === 'framed' ? "1px solid {$hex(Role::Line)}" : '0 solid',
            'card-ground' => match ($card) {
                'filled' => $hex(Role::Bed),
                'framed' => $hex(Role::Paper),
                default => 'none',
            },
            'card-ink' => $card === 'plain' ? 'currentcolor' : $hex(Role::Ink),
        ];
    }

    /** The colour of a field's edge: WCAG 2.2 requires a contrast of 3 to 1 (success criterion 1.4.11). */
    private static function edge(Palette $palette): Colour
    {
        $quiet = $palette->of(Role::Quiet);

        return $quiet->contrast($palette->of(Role::Paper)) >= 3 ? $quiet : $palette->of(Role::Ink);
    }

    /** @return array<string, string> */
    private static function inStyle(string $what, string $style, Colour $colour, Palette $palette): array
    {
        $paper = $palette->of(Role::Paper);
        $soft = $paper->mixed($colour, 0.13);
        $own = fn (Colour $ground): string => ($colour->contrast($ground) >= Colour::AA
            ? $colour
            : $colour->nearestOn($ground, Colour::AA) ?? $palette->textOn($ground))->hex();

        return match ($style) {
            'filled' => [
                "{$what}-ground" => $colour->hex(),
                "{$what}-line" => $colour->hex(),
                "{$what}-ink" => $palette->textOn($colour)->hex(),
            ],
            'soft' => [
                "{$what}-ground" => $soft->hex(),
                "{$what}-line" => $soft->hex(),
                "{$what}-ink" => $own($soft),
            ],
            default => [
                "{$what}-ground" => $paper->hex(),
                "{$what}-line" => $colour->hex(),
                "{$what}-ink" => $own($paper),
            ],
        };
    }

    /** @return array<string, string> */
    private static function type(Look $look): array
    {
        $ratio = (float) $look->text('type', 'steps');
        $sizes = [];
        foreach ([1 => 0, 2 => 0.6, 3 => 1.7, 4 => 3, 5 => 4.4] as $n => $power) {
            $sizes["size-{$n}"] = round($look->number('type', 'size') / 16 * $ratio ** $power, 3).'rem';
        }

        return [
            'heading-font' => Fonts::stack($look->text('type', 'headings')),
            'heading-weight' => (string) $look->number('type', 'weight'),
            'heading-spacing' => '-0.015em',
            'text-font' => Fonts::stack($look->text('type', 'text')),
            'text-weight' => '400',
            'ui-font' => Fonts::stack($look->text('type', 'interface')),
            'text-size' => round($look->number('type', 'size') / 16, 4).'rem',
            'text-line' => (string) ($look->number('type', 'lines') / 100),
        ] + $sizes;
    }

    /** One step of spacing, in px. */
    public static function space(Look $look): float
    {
        return round($look->number('room', 'step') * self::DENSITY[$look->text('room', 'density')], 1);
    }

    /** @return array<string, string> */
    private static function room(Look $look): array
    {
        return [
            'space' => self::space($look).'px',
            // A letter is about half as wide as high (common practice, no source).
            'measure' => round($look->number('room', 'measure') * 0.5, 1).'em',
            'page-width' => $look->number('room', 'page').'px',
        ];
    }

    /** @return array<string, string> */
    private static function shape(Look $look): array
    {
        $card = $look->text('shape', 'card');
        $divider = $look->text('divider', 'shape');

        return [
            'corner' => $look->number('shape', 'corners').'px',
            'picture-corner' => $look->number('shape', 'pictures').'px',
            'card-pad' => $card === 'plain' ? '0' : 'calc(var(--space) * 1.6)',
            'card-corner' => $card === 'plain' ? '0' : $look->number('shape', 'corners').'px',
            'card-shadow' => $card === 'plain' ? 'none' : self::SHADOWS[$look->text('shape', 'shadow')],
            'button-corner' => $look->number('buttons', 'corners').'px',
            'choice-mark' => self::CHOICE_MARKS[$look->text('choices', 'mark')],
            'tag-corner' => $look->number('badges', 'corners').'px',
            'divider-height' => $divider === 'none' ? '0px' : $look->number('divider', 'height').'px',
            'divider-shape' => in_array($divider, ['slope', 'wave', 'scallop', 'torn'], true)
                ? 'polygon('.Divider::polygon($divider, $look->flag('divider', 'flipped')).')'
                : 'none',
            'divider-top' => in_array($look->text('divider', 'side'), ['top', 'both'], true) ? 'block' : 'none',
            'divider-bottom' => in_array($look->text('divider', 'side'), ['bottom', 'both'], true) ? 'block' : 'none',
        ];
    }

    /** @return array<string, string> */
    private static function pointed(Look $look): array
    {
        $effect = $look->text('pointed', 'effect');

        return [
            'pointed-mark' => $effect === 'tint' ? self::MARKS[$look->text('pointed', 'mark')] : 'none',
            'pointed-lift' => $effect === 'lift' ? 'translateY(-4px)' : 'none',
            'pointed-shadow' => $effect === 'lift' ? self::SHADOWS['deep'] : 'var(--card-shadow)',
            'pointed-scale' => $effect === 'enlarge' ? 'scale(1.035)' : 'none',
        ];
    }
}
