<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/** A line of text. */
final readonly class Words implements Option
{
    /**
     * @param  string|null  $default  null: the option is required
     * @param  (\Closure(string): (string|null))|null  $fault  what is expected instead of an invalid text; null for a
     *   valid one
     */
    public function __construct(
        private string $key,
        private string $label,
        private ?string $default = '',
        private string $hint = '',
        private ?\Closure $fault = null,
        private int $longest = 300,
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
        return $this->default ?? '';
    }

    public function read(Shape $shape): string
    {
        $text = $shape->text($this->key, $this->default);
        $expected = match (true) {
            $text === '' || ! $shape->has($this->key) => null,
            mb_strlen($text) > $this->longest => "text of at most {$this->longest} characters",
            default => $this->fault === null ? null : ($this->fault)($text),
        };
        if ($expected !== null) {
            $shape->wrong($this->key, $expected, $text);

            return $this->default();
        }

        return $text;
    }

    public function words(mixed $value): string
    {
        return lcfirst($this->label).' “'.(is_string($value) ? $value : '').'”';
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => $this->longest];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'words',
            'default' => $this->default,
            'hint' => $this->hint,
        ];
    }
}
