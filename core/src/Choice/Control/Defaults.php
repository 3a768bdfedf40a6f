<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Wording\Format;

/** Default answers of filter controls. */
trait Defaults
{
    public function takesSeveral(): bool
    {
        return false;
    }

    public function isChosenByLinks(): bool
    {
        return false;
    }

    public function showsItsChoice(): bool
    {
        return false;
    }

    public function isOneBox(OfferedFilter $filter): bool
    {
        return false;
    }

    public function showsTree(): bool
    {
        return false;
    }

    public function takesRule(): bool
    {
        return false;
    }

    public function takes(): array
    {
        return ['counts', 'open'];
    }

    public function settings(): array
    {
        return [];
    }

    public function options(OfferedFilter $filter): array
    {
        return [];
    }

    public function optionWords(string $value, string $label, Format $format): string
    {
        return $label;
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        $labels = $chosen->filter->options();

        return implode(', ', array_map(fn (string $option): string => $labels[$option] ?? $option, $chosen->options));
    }
}
