<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** What a filter offers a visitor here and now: its options with their counts, or the range of its values. */
final readonly class Facet
{
    /**
     * @param  BoundChosenFilter|null  $chosen  what is chosen of it
     * @param  array<array-key, int>  $counts  by option
     * @param  FacetRange|null  $range  null where it is none, or there are no values
     * @param  int  $left  how many records would be listed if nothing were chosen of it
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

    /** False where it offers nothing: no record has a value of it. */
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
