<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/** Option of a part: the key of the field that it shows. */
final readonly class FieldKey implements Option
{
    /** @param  list<Family>  $families  of the fields that may be chosen */
    public function __construct(
        private array $families,
        private string $key = 'field',
        private string $label = 'Field',
        private string $default = '',
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
        return $shape->text($this->key, $this->default);
    }

    public function words(mixed $value): string
    {
        return lcfirst($this->label).' '.(is_string($value) ? $value : '');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'field',
            'default' => $this->default,
            'choices' => array_map(
                fn (Family $family): array => ['value' => $family->value, 'label' => $family->value],
                $this->families,
            ),
        ];
    }
}
