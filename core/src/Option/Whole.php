<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** A whole number from `min` to `max`, both included, and a multiple of the step. */
final readonly class Whole implements Option
{
    /** @param  int|null  $default  null: the option may be missing */
    public function __construct(
        private string $key,
        private string $label,
        private ?int $default,
        private int $min,
        private int $max,
        private string $unit = '',
        private int $step = 1,
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

    public function default(): ?int
    {
        return $this->default;
    }

    public function read(Shape $shape): ?int
    {
        $value = $shape->wholeOrNull($this->key, $this->min, $this->max);
        if ($value !== null && $value % $this->step !== 0) {
            $shape->wrong($this->key, "a multiple of {$this->step}", $value);
            $value = null;
        }

        return $value ?? $this->default;
    }

    public function words(mixed $value): string
    {
        return lcfirst($this->label).' '.(is_int($value) ? $value : '').($this->unit === '' ? '' : " {$this->unit}");
    }

    public function schema(): array
    {
        return ['type' => 'integer', 'minimum' => $this->min, 'maximum' => $this->max]
            + ($this->step === 1 ? [] : ['multipleOf' => $this->step])
            + ($this->default === null ? [] : ['default' => $this->default]);
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'whole',
            'default' => $this->default,
            'min' => $this->min,
            'max' => $this->max,
            'unit' => $this->unit,
            'step' => $this->step,
        ];
    }
}
