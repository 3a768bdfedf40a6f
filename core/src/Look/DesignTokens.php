<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;

/**
 * A look as design tokens, in the format of the W3C's Design Tokens Community Group (2025.10: groups, `$type`,
 * `$value`, `$description`, `$extensions`). Colours, fonts and sizes are tokens that other tools can read and change;
 * everything else is under `$extensions`.
 */
final class DesignTokens
{
    private const OWN = 'org.wellspring.look';

    /** The size options as tokens, by group and option: name and unit. */
    private const DIMENSIONS = [
        'type.size' => 'size.text', 'room.step' => 'space.step', 'room.page' => 'size.page',
        'shape.corners' => 'radius.corner', 'shape.pictures' => 'radius.picture', 'buttons.corners' => 'radius.button',
        'badges.corners' => 'radius.badge', 'divider.height' => 'size.divider',
    ];

    private const FONTS = [
        'type.headings' => 'font.heading', 'type.text' => 'font.text', 'type.interface' => 'font.interface',
    ];

    /** @return array<string, mixed> */
    public static function of(Look $look): array
    {
        $tokens = [
            '$description' => "The look “{$look->name}”",
            'color' => self::palette($look->colours),
            ...$look->dark === null ? [] : ['color-dark' => self::palette($look->dark)],
            'font' => ['$type' => 'fontFamily'],
            'size' => ['$type' => 'dimension'],
            'space' => ['$type' => 'dimension'],
            'radius' => ['$type' => 'dimension'],
            'weight' => ['heading' => ['$type' => 'fontWeight', '$value' => $look->number('type', 'weight')]],
            'line' => ['text' => ['$type' => 'number', '$value' => $look->number('type', 'lines') / 100]],
        ];
        foreach (self::FONTS as $option => $name) {
            [$group, $token] = explode('.', $name);
            $key = $look->text(...explode('.', $option));
            $tokens[$group][$token] = ['$value' => Fonts::families($key)];
        }
        foreach (self::DIMENSIONS as $option => $name) {
            [$group, $token] = explode('.', $name);
            $tokens[$group][$token] = [
                '$value' => ['value' => $look->number(...explode('.', $option)), 'unit' => 'px'],
            ];
        }
        $tokens['$extensions'] = [self::OWN => array_diff_key($look->toArray(), ['colours' => 0, 'dark' => 0])];

        return $tokens;
    }

    /**
     * Makes a look's definition from tokens. Tokens override the extension; missing values come from another look.
     *
     * @param  mixed  $tokens  decoded JSON
     * @return array<string, mixed> for LookReader
     *
     * @throws Refused where it holds no colours that a look has
     */
    public static function definition(mixed $tokens, Look $else): array
    {
        $problems = new Problems;
        if (! is_array($tokens) || ! is_array($tokens['color'] ?? null)) {
            throw Refused::because('color', ProblemCode::Missing, 'expected a group “color” of design tokens.');
        }
        $own = $tokens['$extensions'][self::OWN] ?? null;
        $definition = is_array($own)
            ? $own + array_diff_key($else->toArray(), ['dark' => 0, 'css' => 0])
            : $else->toArray();
        $definition['colours'] = self::colours($tokens, 'color', $else->colours->toArray(), $problems);
        if (is_array($tokens['color-dark'] ?? null)) {
            $instead = ($else->dark ?? $else->colours)->toArray();
            $definition['dark'] = self::colours($tokens, 'color-dark', $instead, $problems);
        }
        foreach (self::DIMENSIONS as $option => $name) {
            $value = self::value($tokens, $name);
            if (is_array($value) && is_numeric($value['value'] ?? null)) {
                // A rem is 16 px unless the visitor has changed it: CSS Values 4, “rem”, with the usual font size of
                // browsers.
                $pixels = $value['value'] * (($value['unit'] ?? 'px') === 'rem' ? 16 : 1);
                self::put($definition, $option, (int) round($pixels));
            }
        }
        foreach (self::FONTS as $option => $name) {
            $value = self::value($tokens, $name);
            $key = Fonts::keyOf(array_values(array_filter((array) $value, is_string(...))));
            if ($key !== null) {
                self::put($definition, $option, $key);
            }
        }
        $weight = self::value($tokens, 'weight.heading');
        if (is_int($weight)) {
            self::put($definition, 'type.weight', $weight);
        }
        $lines = self::value($tokens, 'line.text');
        if (is_int($lines) || is_float($lines)) {
            self::put($definition, 'type.lines', (int) round($lines * 100));
        }
        $problems->refuseIfAny();

        return $definition;
    }

    /** @return array<string, mixed> */
    private static function palette(Palette $palette): array
    {
        $tokens = ['$type' => 'color'];
        foreach (Role::cases() as $role) {
            $colour = $palette->of($role);
            $tokens[$role->value] = [
                '$value' => [
                    'colorSpace' => 'srgb',
                    'components' => array_map(
                        fn (int $channel): float => round($channel / 255, 4),
                        [$colour->red, $colour->green, $colour->blue],
                    ),
                    'hex' => $colour->hex(),
                ],
                '$description' => $role->words(),
            ];
        }

        return $tokens;
    }

    /**
     * @param  array<array-key, mixed>  $tokens
     * @param  array<string, string>  $instead
     * @return array<string, string>
     */
    private static function colours(array $tokens, string $group, array $instead, Problems $problems): array
    {
        $colours = [];
        foreach (Role::cases() as $role) {
            $value = self::value($tokens, "{$group}.{$role->value}");
            $hex = $value === null ? $instead[$role->value] : self::hex($value);
            if ($hex === null) {
                $problems->add(
                    "{$group}.{$role->value}.\$value",
                    ProblemCode::WrongValue,
                    'expected a colour of sRGB: “#20302c”, or colorSpace “srgb” with three components from 0 to 1.',
                );
            }
            $colours[$role->value] = $hex ?? '#000000';
        }

        return $colours;
    }

    private static function hex(mixed $value): ?string
    {
        if (is_string($value)) {
            return preg_match(Colour::PATTERN, strtolower($value)) === 1 ? strtolower($value) : null;
        }
        $parts = is_array($value) && ($value['colorSpace'] ?? null) === 'srgb' ? $value['components'] ?? null : null;
        if (! is_array($parts) || count($parts) !== 3) {
            return null;
        }
        $hex = '#';
        foreach ($parts as $part) {
            if (! is_int($part) && ! is_float($part) || $part < 0 || $part > 1) {
                return null;
            }
            $hex .= sprintf('%02x', (int) round($part * 255));
        }

        return $hex;
    }

    /**
     * The value of a token, through aliases: `{color.leaf}`.
     *
     * @param  array<array-key, mixed>  $tokens
     */
    private static function value(array $tokens, string $name, int $depth = 0): mixed
    {
        $at = $tokens;
        foreach (explode('.', $name) as $key) {
            $at = is_array($at) ? $at[$key] ?? null : null;
        }
        $value = is_array($at) ? $at['$value'] ?? null : null;

        return is_string($value) && $depth < 10 && preg_match('/^\{([^{}]+)\}$/D', $value, $alias) === 1
            ? self::value($tokens, $alias[1], $depth + 1)
            : $value;
    }

    /** @param  array<string, mixed>  $definition */
    private static function put(array &$definition, string $option, mixed $value): void
    {
        [$group, $key] = explode('.', $option);
        $definition[$group] = [$key => $value] + (is_array($definition[$group] ?? null) ? $definition[$group] : []);
    }
}
