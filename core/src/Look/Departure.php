<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;

/** In what a module departs from the site's look: by named choices, never by styles of its own. */
final readonly class Departure
{
    /** What a choice is called where the module does not depart. */
    private const AS_THE_LOOK = 'look';

    private function __construct(private OptionValues $values)
    {
    }

    /** @return list<Option> */
    public static function options(): array
    {
        $as = [self::AS_THE_LOOK => 'As the look says'];
        $colours = $as + ['leaf' => 'Leaf', 'copper' => 'Copper', 'ink' => 'Ink'];

        return [
            new OneOf('tone', 'Tone', $as + ['quiet' => 'Quiet', 'strong' => 'Strong'], self::AS_THE_LOOK),
            new OneOf('accent', 'Accent', $colours, self::AS_THE_LOOK),
            new OneOf('card', 'Cards', $as + [
                'plain' => 'Plain', 'framed' => 'Framed', 'filled' => 'Filled',
            ], self::AS_THE_LOOK),
            new OneOf('badge', 'Badges in', $colours, self::AS_THE_LOOK),
            new OneOf('size', 'Text', $as + ['small' => 'Smaller', 'large' => 'Larger'], self::AS_THE_LOOK),
            new OneOf('align', 'Heading stands at', $as + ['centre' => 'The centre'], self::AS_THE_LOOK),
        ];
    }

    /** Under `look`; none where nothing is said. */
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

    /** @return list<string> classes of resources/css/parts.css: `tone-quiet` */
    public function classes(): array
    {
        $classes = [];
        foreach ($this->values->said() as $key => $value) {
            $classes[] = 'module-'.$key.'-'.(is_string($value) ? $value : '');
        }

        return $classes;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values->said();
    }
}
