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

/** What every part has beside what it shows: its label, the widths at which it shows, how it stands out. */
final readonly class PartStyle
{
    private function __construct(private OptionValues $values)
    {
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

    public function label(): string
    {
        return $this->values->text('label');
    }

    public function isLabelAfter(): bool
    {
        return $this->values->text('labelAt') === 'after';
    }

    /** @return list<string> of resources/css/site.css */
    public function classes(): array
    {
        $shown = (array) $this->values->get('widths');
        $emphasis = $this->values->text('emphasis');

        return [
            ...$emphasis === 'plain' ? [] : ["is-{$emphasis}"],
            ...array_map(
                fn (Width $width): string => "not-{$width->value}",
                array_values(array_filter(
                    Width::cases(),
                    fn (Width $width): bool => ! in_array($width->value, $shown, true),
                )),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values->said();
    }
}
