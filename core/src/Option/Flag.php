<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** Yes or no. */
final readonly class Flag implements Option
{
    public function __construct(private string $key, private string $label, private bool $default = false)
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

    public function default(): bool
    {
        return $this->default;
    }

    public function read(Shape $shape): bool
    {
        return $shape->has($this->key) ? $shape->flag($this->key) : $this->default;
    }

    public function words(mixed $value): string
    {
        return ($value === true ? '' : 'not ').lcfirst($this->label);
    }

    public function schema(): array
    {
        return ['type' => 'boolean', 'default' => $this->default];
    }

    public function describe(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'kind' => 'flag', 'default' => $this->default];
    }
}
