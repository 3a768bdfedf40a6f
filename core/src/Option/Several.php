<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** Some of a few named values; all of them by default. */
final readonly class Several implements Option
{
    use NamedChoices;

    /** @param  non-empty-array<string, string>  $choices  labels by value */
    public function __construct(private string $key, private string $label, private array $choices)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function label(): string
    {
        return $this->label;
    }

    /** @return list<string> */
    public function default(): array
    {
        return $this->values();
    }

    /** @return list<string> in the order of the choices */
    public function read(Shape $shape): array
    {
        if (! $shape->has($this->key)) {
            return $this->default();
        }
        $given = $shape->items($this->key);
        $kept = array_values(array_intersect($this->default(), array_filter($given, is_string(...))));
        if ($given !== [] && count($kept) !== count($given) || $kept === [] && is_array($shape->raw($this->key))) {
            $shape->wrong($this->key, 'a list of '.implode(', ', $this->default()).', at least one', $given);

            return $this->default();
        }

        return $kept;
    }

    public function words(mixed $value): string
    {
        $chosen = array_intersect_key($this->choices, array_flip(array_filter((array) $value, is_string(...))));

        return lcfirst($this->label).' '.implode(', ', array_map(lcfirst(...), $chosen));
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'minItems' => 1,
            'uniqueItems' => true,
            'items' => ['enum' => $this->default()],
        ];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'several',
            'default' => $this->default(),
            'choices' => $this->namedChoices(),
        ];
    }
}
