<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Wording\Format;

/**
 * Choices or terms as tabs, buttons, check boxes, one choice or a tree. The address has the values joined by commas, in
 * the order of the options: `half,full`. A term of a tree includes the terms below it.
 */
final readonly class Options implements FilterControl
{
    use Defaults;

    public function __construct(
        private string $key,
        private string $words,
        private bool $several = false,
        private bool $below = false,
        private bool $links = false,
    ) {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function words(): string
    {
        return $this->words;
    }

    public function takes(): array
    {
        // Only lists of check boxes hide the options after the first ones.
        return in_array($this->key, ['checks', 'tree'], true) ? ['counts', 'most', 'open'] : ['counts', 'open'];
    }

    public function counting(): Counting
    {
        return Counting::Values;
    }

    public function isChosenByLinks(): bool
    {
        return $this->links;
    }

    public function showsItsChoice(): bool
    {
        return $this->key === 'tabs';
    }

    public function showsTree(): bool
    {
        return $this->below;
    }

    public function suits(Field $field): bool
    {
        return match ($field->family()) {
            Family::Terms => true,
            Family::Choice, Family::Choices => ! $this->below,
            default => false,
        };
    }

    public function takesSeveral(): bool
    {
        return $this->several;
    }

    public function options(OfferedFilter $filter): array
    {
        if ($filter->field->family() !== Family::Terms) {
            return $filter->field->choices;
        }
        $names = [];
        foreach ($filter->field->taxonomy?->terms->asTree() ?? [] as ['term' => $term]) {
            $names[$term->slug] = $term->name;
        }

        return $names;
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $known = array_map(strval(...), array_keys($filter->options()));
        $chosen = array_values(array_intersect($known, explode(',', $said)));
        if (! $this->several) {
            $chosen = array_slice($chosen, 0, 1);
        }
        $join = $this->several ? $filter->join : Quantifier::Any;
        $test = Tests::find($join->value, $filter->field->family());

        return $chosen === [] || $test === null
            ? null
            : new ChosenFilter(
                $filter,
                implode(',', $chosen),
                new Condition($filter->field, $test, $chosen, $this->below),
                $chosen,
            );
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        $labels = $chosen->filter->options();

        $named = array_map(fn (string $option): string => $labels[$option] ?? $option, $chosen->options);
        $last = (string) array_pop($named);

        return $named === [] ? $last : $format->words()->text(
            $chosen->filter->join === Quantifier::All ? 'choices.and' : 'choices.or',
            ['list' => implode(', ', $named), 'last' => $last],
        );
    }
}
