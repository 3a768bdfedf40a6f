<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** Several options under one key: `"title": {"weight": "bold", "colour": "leaf"}`. */
final readonly class OptionGroup implements Option
{
    /** @param  non-empty-list<Option>  $options */
    public function __construct(private string $key, private string $label, public array $options)
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

    /** @return array<string, mixed> nothing */
    public function default(): array
    {
        return [];
    }

    /** @return array<string, mixed> what differs from the defaults of its options */
    public function read(Shape $shape): array
    {
        if (! $shape->has($this->key)) {
            return [];
        }
        $inner = $shape->inner($this->key);
        $values = OptionValues::read($this->options, $inner);
        $inner->noOthers();

        return $values->said();
    }

    /** Short, because a sentence has no space for every option of the group: “own titles”. */
    public function words(mixed $value): string
    {
        return 'own '.lcfirst($this->label);
    }

    public function schema(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => false,
            'properties' => OptionValues::schemas($this->options),
        ];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'group',
            'default' => null,
            'options' => array_map(fn (Option $option): array => $option->describe(), $this->options),
        ];
    }
}
