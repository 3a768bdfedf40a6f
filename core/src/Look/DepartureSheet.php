<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/**
 * The CSS of every choice of a module's own style. It uses only the look's custom properties, so it fits every look.
 */
final class DepartureSheet
{
    /** The elements of a module that a group of words styles. */
    private const WORDS = [
        'heading' => ':is(.module-heading,.group-head)',
        'title' => '.part.title',
        'text' => '.card .part:not(.title,.price,.badge,.button)',
        'price' => '.part.price,.price .now',
        'badgeText' => '.card .tag',
        'filters' => ':is(.filters,.toolbar,.chosen,.filter-name,.option)',
    ];

    /** The lines of those parts, which set the alignment. */
    private const LINES = [
        'title' => '.line:has(>.title)', 'price' => '.line:has(>.price)', 'badgeText' => '.line:has(>.badge)',
        'text' => '.line:not(:has(>:is(.title,.price,.badge)),.line-picture)',
    ];

    private const DECLARATIONS = [
        'family' => [
            'heading' => 'font-family:var(--heading-font)', 'text' => 'font-family:var(--text-font)',
            'ui' => 'font-family:var(--ui-font)',
        ],
        'weight' => [
            'regular' => 'font-weight:400', 'medium' => 'font-weight:500', 'semibold' => 'font-weight:600',
            'bold' => 'font-weight:700',
        ],
        'size' => [
            'smaller' => 'font-size:.875em', 'step-1' => 'font-size:var(--size-1)',
            'step-2' => 'font-size:var(--size-2)', 'step-3' => 'font-size:var(--size-3)',
            'step-4' => 'font-size:var(--size-4)', 'step-5' => 'font-size:var(--size-5)',
        ],
        'case' => [
            'upper' => 'text-transform:uppercase', 'small-caps' => 'font-variant-caps:small-caps',
            'as-typed' => 'text-transform:none;font-variant-caps:normal',
        ],
        'spacing' => [
            'tight' => 'letter-spacing:-.02em', 'normal' => 'letter-spacing:0', 'wide' => 'letter-spacing:.08em',
        ],
        'colour' => [
            'ink' => 'color:var(--ink)', 'quiet' => 'color:var(--quiet)', 'leaf' => 'color:var(--leaf)',
            'copper' => 'color:var(--copper)',
        ],
    ];

    private const ALIGN = [
        'start' => ['start', 'flex-start'], 'centre' => ['center', 'center'], 'end' => ['end', 'flex-end'],
    ];

    private const CORNERS = ['none' => '0', 'small' => '4px', 'medium' => '10px', 'large' => '20px'];

    private const BORDERS = [
        'none' => '0 solid', 'line' => '1px solid var(--line)', 'strong' => '2px solid var(--ink)',
    ];

    private const SHADOWS = [
        'none' => 'none', 'soft' => '0 4px 14px rgb(0 0 0/.12)', 'deep' => '0 10px 30px rgb(0 0 0/.24)',
    ];

    private const MARKS = ['none' => 'none', 'arrow' => '"↗"', 'plus' => '"+"', 'dot' => '"●"'];

    /** The colour of the mark by the colour below it. */
    private const POINTED = ['leaf' => 'on-leaf', 'copper' => 'on-copper', 'ink' => 'on-ink', 'paper' => 'ink'];

    public static function css(): string
    {
        $css = '';
        foreach (self::rules() as $class => $rules) {
            foreach ($rules as $selector => $declarations) {
                $css .= ".module-{$class}{$selector}{{$declarations}}";
            }
        }

        return $css;
    }

    /** @return array<string, array<string, string>> declarations by class, and by what of the module they are for */
    public static function rules(): array
    {
        return [...self::words(), ...self::boxes(), ...self::pointed(), ...self::controls()];
    }

    /** @return array<string, array<string, string>> */
    private static function words(): array
    {
        $rules = [];
        foreach (self::WORDS as $group => $elements) {
            foreach (self::DECLARATIONS as $option => $values) {
                foreach ($values as $value => $declaration) {
                    $rules["{$group}-{$option}-{$value}"] = [" :is({$elements})" => $declaration];
                }
            }
            foreach (self::ALIGN as $value => [$text, $line]) {
                $rules["{$group}-align-{$value}"] = isset(self::LINES[$group])
                    ? [' '.self::LINES[$group] => "justify-content:{$line};text-align:{$text}"]
                    + ($value === 'start' ? [] : [' '.self::LINES[$group].'>*::before' => 'content:none'])
                    : [" :is({$elements})" => "text-align:{$text}"];
            }
        }

        return $rules;
    }

    /** @return array<string, array<string, string>> */
    private static function boxes(): array
    {
        $rules = [];
        foreach (self::BORDERS as $value => $border) {
            $pad = $value === 'none' ? '' : ';--card-pad:calc(var(--space)*1.6)';
            $rules["cards-border-{$value}"] = ['' => "--card-border:{$border}{$pad}"];
            $rules["pictures-border-{$value}"] = ['' => "--picture-border:{$border}"];
        }
        foreach (self::CORNERS as $value => $corner) {
            $rules["cards-corners-{$value}"] = ['' => "--card-corner:{$corner}"];
            $rules["pictures-corners-{$value}"] = ['' => "--picture-corner:{$corner}"];
        }
        foreach (self::SHADOWS as $value => $shadow) {
            $rules["cards-shadow-{$value}"] = ['' => "--card-shadow:{$shadow}"];
            $rules["pictures-shadow-{$value}"] = [' .picture' => "box-shadow:{$shadow}"];
        }

        return $rules;
    }

    /** @return array<string, array<string, string>> */
    private static function pointed(): array
    {
        $tint = fn (int $percent): string => '--pointed-tint:color-mix(in srgb,var(--pointed-role,var(--leaf)) '
            ."{$percent}%,transparent)";
        $rules = [];
        foreach (self::POINTED as $role => $on) {
            $rules["pointed-colour-{$role}"] = [
                '' => "--pointed-role:var(--{$role});--pointed-ink:var(--{$on});{$tint(60)}",
            ];
        }
        foreach (range(10, 100, 10) as $percent) {
            $rules["pointed-strength-{$percent}"] = ['' => $tint($percent)];
        }
        foreach (self::MARKS as $value => $mark) {
            $rules["pointed-mark-{$value}"] = ['' => "--pointed-mark:{$mark}"];
        }

        return $rules;
    }

    /** @return array<string, array<string, string>> of tickers and slideshows; the shape of arrows is drawn */
    private static function controls(): array
    {
        $rules = [
            'arrows-place-below' => [' .controls' => 'order:1'],
            'arrows-place-above' => [
                ' .slideshow' => 'display:flex;flex-direction:column',
                ' .controls' => 'order:-1;margin:0 0 .6rem',
            ],
            'arrows-place-sides' => [
                ' .slideshow>.controls' => 'position:absolute;inset-inline:.5rem;top:40%;margin:0;'
                    .'justify-content:space-between;pointer-events:none',
                ' .controls button' => 'pointer-events:auto',
                ' .ticker>.controls' => 'flex:1;justify-content:space-between',
            ],
        ];
        foreach (['leaf', 'copper', 'ink'] as $role) {
            $rules["ticker-pointer-{$role}"] = [' .is-typing .letter::after' => "background:var(--{$role})!important"];
        }
        foreach (['leaf', 'copper', 'ink', 'quiet'] as $role) {
            $rules["ticker-day-{$role}"] = [' .today' => "color:var(--{$role})"];
        }

        return $rules;
    }
}
