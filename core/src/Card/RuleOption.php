<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/** Option: a condition or a group that the record must fulfil. CardFields::rule() reads it. */
final readonly class RuleOption implements Option
{
    public function __construct(private string $key, private string $label)
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

    public function default(): null
    {
        return null;
    }

    public function read(Shape $shape): mixed
    {
        return $shape->raw($this->key);
    }

    public function words(mixed $value): string
    {
        return '';
    }

    public function schema(): array
    {
        return ['anyOf' => [['$ref' => '#/$defs/condition'], ['$ref' => '#/$defs/group']]];
    }

    public function describe(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'kind' => 'rule', 'default' => null];
    }
}
