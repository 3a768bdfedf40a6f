<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** One of a few named values. */
final readonly class OneOf implements Option
{
    use NamedChoices;

    /** @param  non-empty-array<string, string>  $choices  labels by value */
    public function __construct(
        private string $key,
        private string $label,
        private array $choices,
        private string $default,
    ) {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function label(): string
    {
        return $this->label;
    }

    public function default(): string
    {
        return $this->default;
    }

    public function read(Shape $shape): string
    {
        return $shape->oneOf($this->key, $this->values(), $this->default);
    }

    public function words(mixed $value): string
    {
        return lcfirst($this->label).' '.lcfirst($this->choices[is_string($value) ? $value : ''] ?? '');
    }

    public function schema(): array
    {
        return ['enum' => $this->values(), 'default' => $this->default];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'oneOf',
            'default' => $this->default,
            'choices' => $this->namedChoices(),
        ];
    }
}
