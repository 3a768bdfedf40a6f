<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

/** Common code of options with a few named values: their choices, labels by value. */
trait NamedChoices
{
    /** @return list<string> in the order of the choices */
    private function values(): array
    {
        return array_map(strval(...), array_keys($this->choices));
    }

    /** @return list<array{value: string, label: string}> */
    private function namedChoices(): array
    {
        return array_map(
            fn (string $value, string $label): array => ['value' => $value, 'label' => $label],
            $this->values(),
            array_values($this->choices),
        );
    }
}
