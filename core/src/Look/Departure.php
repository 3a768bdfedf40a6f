<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionGroup;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;

/**
 * A module's own style, where it differs from the site's look. It uses the look's roles and steps, so it changes with
 * the look. DepartureSheet has the CSS of each choice.
 */
final readonly class Departure
{
    /** The value of a choice that follows the look. */
    public const AS_THE_LOOK = 'look';

    private const FAMILIES = ['heading' => 'Headings', 'text' => 'Text', 'ui' => 'Interface'];

    private const WEIGHTS = ['regular' => 'Regular', 'medium' => 'Medium', 'semibold' => 'Semibold', 'bold' => 'Bold'];

    private const SIZES = [
        'smaller' => 'Smaller', 'step-1' => 'Step 1', 'step-2' => 'Step 2', 'step-3' => 'Step 3', 'step-4' => 'Step 4',
        'step-5' => 'Step 5',
    ];

    private const CASES = ['upper' => 'Capitals', 'small-caps' => 'Small capitals', 'as-typed' => 'As it is written'];

    private const SPACINGS = ['tight' => 'Tight', 'normal' => 'Normal', 'wide' => 'Wide'];

    private const ALIGNMENTS = ['start' => 'Start', 'centre' => 'Centre', 'end' => 'End'];

    private const BORDERS = ['none' => 'None', 'line' => 'Line', 'strong' => 'Strong'];

    private const CORNERS = ['none' => 'Square', 'small' => 'Small', 'medium' => 'Medium', 'large' => 'Large'];

    private const SHADOWS = ['none' => 'None', 'soft' => 'Soft', 'deep' => 'Deep'];

    private function __construct(private OptionValues $values)
    {
    }

    /** @return list<Option> */
    public static function options(): array
    {
        $colours = ['leaf' => 'Leaf', 'copper' => 'Copper', 'ink' => 'Ink'];
        $strengths = [];
        foreach (range(10, 100, 10) as $percent) {
            $strengths["{$percent}"] = "{$percent} %";
        }
        $boxes = [
            self::choice('border', 'Border', self::BORDERS),
            self::choice('corners', 'Corners', self::CORNERS),
            self::choice('shadow', 'Shadow', self::SHADOWS),
        ];

        return [
            self::choice('tone', 'Tone', ['quiet' => 'Quiet', 'strong' => 'Strong']),
            self::choice('accent', 'Accent', $colours),
            self::choice('card', 'Cards', ['plain' => 'Plain', 'framed' => 'Framed', 'filled' => 'Filled']),
            self::choice('badge', 'Badges in', $colours),
            self::choice('size', 'Text', ['small' => 'Smaller', 'large' => 'Larger']),
            self::choice('align', 'Heading stands at', ['centre' => 'The centre']),
            self::words('heading', 'Heading'),
            self::words('title', 'Titles'),
            self::words('text', 'Other words on cards'),
            self::words('price', 'Prices'),
            self::words('badgeText', 'Words of badges'),
            self::words('filters', 'Words of filters'),
            new OptionGroup('cards', 'Edges of cards', $boxes),
            new OptionGroup('pictures', 'Edges of pictures', $boxes),
            new OptionGroup('pointed', 'Pointing', [
                self::choice('colour', 'Colour', $colours + ['paper' => 'Paper']),
                self::choice('strength', 'Strength', $strengths),
                self::choice('mark', 'Mark', ['none' => 'None', 'arrow' => 'Arrow', 'plus' => 'Plus', 'dot' => 'Dot']),
            ]),
            new OptionGroup('arrows', 'Arrows of tickers and slideshows', [
                self::choice('shape', 'Shape', ['arrow' => 'Arrow', 'angle' => 'Angle', 'triangle' => 'Triangle']),
                self::choice('place', 'Place', ['below' => 'Below', 'sides' => 'At the sides', 'above' => 'Above']),
            ]),
            new OptionGroup('ticker', 'Ticker', [
                self::choice('pointer', 'Colour of the pointer', $colours),
                self::choice('day', 'Colour of the day', $colours + ['quiet' => 'Quiet']),
            ]),
        ];
    }

    /** Reads the style under `look`; empty by default. */
    public static function read(Shape $definition): self
    {
        if (! $definition->has('look')) {
            return self::none();
        }
        $shape = $definition->inner('look');
        $values = OptionValues::read(self::options(), $shape);
        $shape->noOthers();

        return new self($values);
    }

    public static function none(): self
    {
        return new self(OptionValues::defaults(self::options()));
    }

    /** @return list<string> classes of DepartureSheet: `module-tone-quiet`, `module-title-weight-bold` */
    public function classes(): array
    {
        $classes = [];
        foreach ($this->values->said() as $key => $value) {
            foreach (is_array($value) ? $value : ['' => $value] as $inner => $chosen) {
                $name = $inner === '' ? $key : "{$key}-{$inner}";
                $classes[] = "module-{$name}-".(is_string($chosen) ? $chosen : '');
            }
        }

        return $classes;
    }

    /** The shape of its arrows; null for the look's own. */
    public function arrows(): ?string
    {
        $arrows = $this->values->get('arrows');
        $shape = is_array($arrows) ? $arrows['shape'] ?? null : null;

        return is_string($shape) ? $shape : null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values->said();
    }

    private static function words(string $key, string $label): OptionGroup
    {
        $roles = ['ink' => 'Ink', 'quiet' => 'Quiet', 'leaf' => 'Leaf', 'copper' => 'Copper'];

        return new OptionGroup($key, $label, [
            self::choice('family', 'Typeface of', self::FAMILIES),
            self::choice('weight', 'Weight', self::WEIGHTS),
            self::choice('size', 'Size', self::SIZES),
            self::choice('case', 'Case', self::CASES),
            self::choice('spacing', 'Spacing', self::SPACINGS),
            self::choice('colour', 'Colour', $roles),
            self::choice('align', 'Alignment', self::ALIGNMENTS),
        ]);
    }

    /** @param  array<array-key, string>  $choices */
    private static function choice(string $key, string $label, array $choices): OneOf
    {
        $all = [self::AS_THE_LOOK => 'As the look says'];
        foreach ($choices as $value => $words) {
            $all[(string) $value] = $words;
        }

        return new OneOf($key, $label, $all, self::AS_THE_LOOK);
    }
}
