<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Option\OptionValues;

/** The look of a site: colours by role, fonts, spacing, shapes. */
final readonly class Look
{
    /**
     * @param  array<string, OptionValues>  $groups  by the keys of LookOptions
     * @param  string  $css  a style sheet of its own; the code that uses it limits its scope
     * @param  Palette|null  $dark  the dark colours; null: none
     */
    public function __construct(
        public string $key,
        public string $name,
        public Palette $colours,
        public ?Palette $dark,
        private array $groups,
        public string $css = '',
    ) {
    }

    public function text(string $group, string $option): string
    {
        return $this->groups[$group]->text($option);
    }

    public function number(string $group, string $option): int
    {
        return $this->groups[$group]->number($option);
    }

    public function flag(string $group, string $option): bool
    {
        return $this->groups[$group]->flag($option);
    }

    /** @return list<string> the keys of the families that it uses, each once */
    public function fonts(): array
    {
        return array_values(array_unique([
            $this->text('type', 'headings'), $this->text('type', 'text'), $this->text('type', 'interface'),
        ]));
    }

    /** @return array<string, mixed> as a file of format 1 holds it, every default said */
    public function toArray(): array
    {
        $groups = [];
        foreach (LookOptions::all() as $group => $options) {
            foreach ($options as $option) {
                $groups[$group][$option->key()] = $this->groups[$group]->get($option->key());
            }
        }

        return ['format' => LookReader::FORMAT, 'key' => $this->key, 'name' => $this->name]
            + ['colours' => $this->colours->toArray()]
            + ($this->dark === null ? [] : ['dark' => $this->dark->toArray()])
            + $groups
            + ($this->css === '' ? [] : ['css' => $this->css]);
    }
}
