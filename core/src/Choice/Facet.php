<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** A filter as a visitor sees it: its options with their counts, or the range of its values. */
final readonly class Facet
{
    /**
     * @param  BoundChosenFilter|null  $chosen  its current choice
     * @param  array<array-key, int>  $counts  by option
     * @param  FacetRange|null  $range  null if it is no range, or has no values
     * @param  int  $left  the number of listed records without this filter
     */
    public function __construct(
        public OfferedFilter $filter,
        public ?BoundChosenFilter $chosen = null,
        public array $counts = [],
        public ?FacetRange $range = null,
        public int $left = 0,
    ) {
    }

    /** @return list<FacetOption> in the order of the filter */
    public function options(): array
    {
        $depths = $this->filter->depths();
        $options = [];
        foreach ($this->filter->options() as $value => $label) {
            $value = (string) $value;
            $options[] = new FacetOption(
                $value,
                $this->filter->control->isOneBox($this->filter) ? $this->filter->label() : $label,
                $this->counts[$value] ?? 0,
                in_array($value, $this->chosen->options ?? [], true),
                $depths[$value] ?? 0,
            );
        }

        return $options;
    }

    /** False if no record has a value, so that there is nothing to choose. */
    public function isOfUse(): bool
    {
        return match (true) {
            $this->chosen !== null, $this->filter->control->counting() === Counting::Nothing => true,
            $this->filter->control->counting()->isRange() => $this->range !== null,
            default => array_filter($this->counts) !== [],
        };
    }

    /** @return array<string, mixed> as `wellspring:run --json` writes it */
    public function toArray(): array
    {
        $options = $this->options();

        return ['field' => $this->filter->field->key, 'as' => $this->filter->control->key()]
            + ($this->filter->name === $this->filter->field->key ? [] : ['name' => $this->filter->name])
            + match (true) {
                $this->range !== null, $this->filter->control->counting()->isRange() => [
                    'least' => $this->range?->least,
                    'greatest' => $this->range?->greatest,
                    'bars' => $this->range->bars ?? [],
                    'chosen' => $this->chosen?->ends,
                ],
                $options !== [] => ['options' => array_map(fn (FacetOption $option): array => [
                    'value' => $option->value,
                    'label' => $option->label,
                    'count' => $option->count,
                    'chosen' => $option->isChosen,
                ], $options)],
                default => ['chosen' => $this->chosen?->said],
            };
    }
}
