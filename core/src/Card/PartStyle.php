<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Several;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;

/** The options that every part has: its label, the widths at which it shows, and its emphasis. */
final readonly class PartStyle
{
    /** The label beside the value; empty for none. */
    public string $label;

    public bool $isLabelAfter;

    /** CSS classes of resources/css/site/card/parts.css: `is-strong not-phone`. */
    public string $classes;

    private function __construct(private OptionValues $values)
    {
        $shown = (array) $values->get('widths');
        $emphasis = $values->text('emphasis');
        $this->label = $values->text('label');
        $this->isLabelAfter = $values->text('labelAt') === 'after';
        $this->classes = implode(' ', [
            ...$emphasis === 'plain' ? [] : ["is-{$emphasis}"],
            ...array_map(
                fn (string $width): string => "not-{$width}",
                array_values(array_diff(array_column(Width::cases(), 'value'), array_filter($shown, is_string(...)))),
            ),
        ]);
    }

    public static function plain(): self
    {
        return new self(OptionValues::defaults(self::options()));
    }

    public static function read(Shape $shape): self
    {
        return new self(OptionValues::read(self::options(), $shape));
    }

    /** @return list<Option> */
    public static function options(): array
    {
        $widths = [];
        foreach (Width::cases() as $width) {
            $widths[$width->value] = ucfirst($width->value);
        }

        return [
            new Words('label', 'Label'),
            new OneOf('labelAt', 'The label stands', ['before' => 'Before', 'after' => 'After'], 'before'),
            new OneOf('emphasis', 'Emphasis', [
                'plain' => 'Plain',
                'strong' => 'Strong',
                'quiet' => 'Quiet',
                'small' => 'Small',
                'large' => 'Large',
            ], 'plain'),
            new Several('widths', 'Shown on', $widths),
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values->said();
    }
}
