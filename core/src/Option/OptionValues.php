<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** The values of a plug-in's options in a definition. */
final readonly class OptionValues
{
    /**
     * @param  list<Option>  $options
     * @param  array<string, mixed>  $values  by key
     */
    private function __construct(private array $options, private array $values)
    {
    }

    /** @param  list<Option>  $options */
    public static function read(array $options, Shape $shape): self
    {
        $values = [];
        foreach ($options as $option) {
            $values[$option->key()] = $option->read($shape);
        }

        return new self($options, $values);
    }

    /**
     * @param  list<Option>  $options
     * @param  array<string, mixed>  $values  replace the defaults
     */
    public static function defaults(array $options, array $values = []): self
    {
        foreach ($options as $option) {
            $values += [$option->key() => $option->default()];
        }

        return new self($options, $values);
    }

    /**
     * @param  list<Option>  $options
     * @return array<string, array<string, mixed>> JSON Schemas by key
     */
    public static function schemas(array $options): array
    {
        $schemas = [];
        foreach ($options as $option) {
            $schemas[$option->key()] = $option->schema();
        }

        return $schemas;
    }

    public function get(string $key): mixed
    {
        return $this->values[$key] ?? null;
    }

    public function text(string $key): string
    {
        $value = $this->get($key);

        return is_string($value) ? $value : '';
    }

    public function number(string $key): int
    {
        $value = $this->get($key);

        return is_int($value) ? $value : 0;
    }

    public function flag(string $key): bool
    {
        return $this->get($key) === true;
    }

    /** @return array<string, mixed> what differs from the defaults, as a definition has it */
    public function said(): array
    {
        $said = [];
        foreach ($this->options as $option) {
            $value = $this->values[$option->key()] ?? null;
            if ($value !== $option->default()) {
                $said[$option->key()] = $value;
            }
        }

        return $said;
    }
}
