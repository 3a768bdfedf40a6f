<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Arrangement\Table;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FacetOption;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingMode;

/** Finds problems that visitors would have with a module, each with a cure. */
final readonly class Advisor
{
    /** Pages with more cards than this are long (common practice, no source). */
    private const LONG = 12;

    /** The share of records with a missing picture or price that is worth advice. */
    private const MANY = 0.1;

    /** Above this number of records, a choice of orders is useful (common practice, no source). */
    private const FEW = 3;

    private function __construct(private Module $module, private AdviceFacts $facts)
    {
    }

    /** @return list<Advice> */
    public static function on(Module $module, AdviceFacts $facts): array
    {
        $advisor = new self($module, $facts);

        return [
            ...$advisor->rows(),
            ...$advisor->number(),
            ...$advisor->missing(),
            ...$advisor->contrast(),
            ...$advisor->twins(),
            ...$advisor->sorting(),
            ...$advisor->choices(),
            ...$advisor->links(),
        ];
    }

    /**
     * The page size that fills the last row for as many of the column numbers as possible: the nearest to the current
     * one, the smaller of two equally near.
     *
     * @param  positive-int  $size  the current size
     * @param  non-empty-list<positive-int>  $columns
     * @return positive-int
     */
    public static function fullSize(int $size, array $columns): int
    {
        $step = 1;
        foreach ($columns as $across) {
            $step = intdiv($step * $across, self::divisor($step, $across));
        }
        if ($step > max(self::LONG, $size)) {
            return self::fullestSize($size, $columns);
        }
        $below = intdiv($size, $step) * $step;
        $above = $below + $step;

        return max(1, $below > 0 && $size - $below <= $above - $size ? $below : $above);
    }

    /**
     * The nearest size if no useful size fills the last row for all columns.
     *
     * @param  positive-int  $size
     * @param  non-empty-list<positive-int>  $columns
     * @return positive-int
     */
    private static function fullestSize(int $size, array $columns): int
    {
        $best = $size;
        for ($other = 1; $other <= max(self::LONG, $size) + max($columns); $other++) {
            $isBetter = [self::ragged($other, $columns), abs($other - $size)]
                <=> [self::ragged($best, $columns), abs($best - $size)];
            $best = $isBetter < 0 ? $other : $best;
        }

        return $best;
    }

    /**
     * @param  positive-int  $size
     * @param  non-empty-list<positive-int>  $columns
     * @return int for how many of the column numbers the last row is not full
     */
    private static function ragged(int $size, array $columns): int
    {
        return count(array_filter($columns, fn (int $across): bool => $size % $across !== 0));
    }

    private static function divisor(int $one, int $other): int
    {
        return $other === 0 ? $one : self::divisor($other, $one % $other);
    }

    /** @return list<Advice> */
    private function rows(): array
    {
        $size = $this->module->page->size;
        if (! $this->module->arrange->hasRows() || $this->facts->total < $size) {
            return [];
        }
        $columns = array_map($this->columnsAt(...), array_combine(
            array_column(Width::cases(), 'value'),
            Width::cases(),
        ));
        $all = array_values(array_unique(array_merge(...array_values($columns))));
        $isLong = $size > self::LONG && $this->module->page->mode === PagingMode::Numbered;
        $full = self::fullSize($isLong ? self::LONG : $size, $all);
        // Advice that leaves as many ragged rows would be followed by the opposite advice.
        $isCured = self::ragged($full, $all) < self::ragged($size, $all);
        foreach ($isCured ? array_reverse($columns) : [] as $width => $each) {
            foreach ($each as $across) {
                $alone = $size % $across;
                if ($alone !== 0) {
                    return [$this->sized(
                        'lastRow',
                        "With {$across} across on a {$width}, {$size} a page leave "
                            .($alone === 1 ? 'one alone' : "{$alone} alone").' in the last row.',
                        $full,
                    )];
                }
            }
        }

        return $isLong && $full < $size
            ? [$this->sized('longPage', "{$size} at a time make a long page.", $full)]
            : [];
    }

    /** @return non-empty-list<positive-int> the numbers of columns that the slots where the module is placed allow */
    private function columnsAt(Width $width): array
    {
        $arrange = $this->module->arrange;
        $columns = array_map(
            fn (float $slot): int => max(1, $arrange->columnsIn($width, $slot, $this->facts->space)),
            $this->facts->slots[$width->value] ?? [],
        );

        return $columns === [] ? [max(1, $arrange->columnsAt($width))] : array_values(array_unique($columns));
    }

    /** Advice for another page size. */
    private function sized(string $code, string $words, int $size): Advice
    {
        return new Advice(
            $code,
            'page.size',
            $words,
            "Show {$size} at a time",
            $this->with('page', ['size' => $size] + $this->module->page->toArray()),
        );
    }

    /** @return list<Advice> where an arrangement is made for another number of records than a page has */
    private function number(): array
    {
        $suited = $this->module->arrange->suitedNumber();
        $label = $this->module->arrange::label();

        return $suited === null || $this->module->page->size === $suited ? [] : [new Advice(
            'number',
            'page.size',
            "A {$label} is made for ".($suited === 1 ? 'one record' : "{$suited} records")
                .", and a page has {$this->module->page->size}.",
            "Show {$suited} alone",
            $this->with('page', ['mode' => 'fixed', 'size' => $suited]),
        )];
    }

    /** @return list<Advice> */
    private function missing(): array
    {
        $advice = [];
        foreach ($this->module->shownCard->parts() as $at => $part) {
            $missing = $this->facts->emptyParts[$at] ?? 0;
            $isTold = $part->kind->showsPicture() || $part->kind->key() === 'price';
            if (! $isTold || $part->empty->do !== EmptyAction::LeaveOut || $missing === 0
                || $missing < self::MANY * $this->facts->passing) {
                continue;
            }
            $rule = $part->kind->showsPicture() ? ['do' => 'keepSpace'] : ['do' => 'say', 'text' => 'Price on request'];
            $advice[] = new Advice(
                'missing',
                "{$at}.empty",
                ucfirst($part->words())." is missing in {$missing} of {$this->facts->passing}, and no rule says what "
                    .'happens then.',
                $part->kind->showsPicture() ? 'Keep its space' : 'Say “Price on request”',
                $this->withPart($at, ['empty' => $rule] + $part->toArray()),
            );
        }

        return $advice;
    }

    /** @return list<Advice> */
    private function contrast(): array
    {
        $tone = $this->module->look?->toArray()['tone'] ?? null;
        $ground = $tone === 'quiet' ? 'bed' : 'paper';
        foreach ($this->facts->contrasts as $pair) {
            if ($pair['ground'] === $ground && $pair['level'] === 'fails') {
                return [new Advice(
                    'contrast',
                    'look',
                    "The site’s {$pair['text']} on {$ground} has a contrast of {$pair['ratio']}; 4.5 is asked for.",
                    "Choose {$pair['nearest']} in Look",
                    null,
                    '/look',
                )];
            }
        }

        return [];
    }

    /** @return list<Advice> */
    private function twins(): array
    {
        return array_map(fn (array $twin): Advice => new Advice(
            'twin',
            'source',
            "“{$twin['name']}” on the same page shows the same records.",
            "Skip the first {$twin['shows']}",
            $this->with('skip', $this->module->skip + $twin['shows']),
        ), array_slice($this->facts->twins, 0, 1));
    }

    /** @return list<Advice> on what visitors can choose: filters with nothing to choose, or that do not say so */
    private function choices(): array
    {
        $all = [];
        foreach ($this->facts->facets as $i => $facet) {
            $behind = array_filter($facet->options(), fn (FacetOption $option): bool => $option->count > 0);
            $offer = $this->module->offer?->toArray() ?? [];
            $isUseless = match (true) {
                $facet->chosen !== null, $facet->filter->control->counting() === Counting::Nothing => false,
                $facet->filter->control->counting()->isRange() => $facet->range?->least === $facet->range?->greatest,
                $facet->filter->control->isOneBox($facet->filter) => $behind === [],
                default => count($behind) < 2,
            };
            if ($isUseless) {
                unset($offer['filters'][$i]);
                $all[] = new Advice(
                    'nothingToChoose',
                    "offer.filters[{$i}]",
                    "By {$facet->filter->label()} there is nothing to choose: all records are alike in it.",
                    'Do not offer it',
                    $this->with('offer', ['filters' => array_values($offer['filters'] ?? [])] + $offer),
                );
            } elseif (! $facet->filter->counts && count($behind) < count($facet->options())) {
                unset($offer['filters'][$i]['counts']);
                $all[] = new Advice(
                    'noCounts',
                    "offer.filters[{$i}]",
                    "Some options of {$facet->filter->label()} have nothing behind them, and no count says so.",
                    'Show counts',
                    $this->with('offer', $offer),
                );
            }
        }

        return $all;
    }

    /** @return list<Advice> */
    private function sorting(): array
    {
        $areFew = $this->facts->total <= self::FEW;
        if ($areFew && ($this->module->offer->orders ?? []) !== []) {
            $offer = $this->module->offer?->toArray() ?? [];
            unset($offer['orders']);

            return [new Advice(
                'sorting',
                'offer.orders',
                "Visitors may choose an order, though there are but {$this->facts->total}.",
                'Offer no orders',
                $this->with('offer', $offer),
            )];
        }
        if ($areFew && $this->module->arrange instanceof Table && $this->module->arrange->isSortable()) {
            return [new Advice(
                'sorting',
                'arrange.sortable',
                "The table can be sorted, though it has {$this->facts->total} rows.",
                'Do not let it be sorted',
                $this->with('arrange', array_diff_key($this->module->arrange->toArray(), ['sortable' => 0])),
            )];
        }

        return [];
    }

    /** @return list<Advice> */
    private function links(): array
    {
        $advice = [];
        foreach ($this->facts->deadLinks as $at) {
            $part = $this->module->shownCard->parts()[$at] ?? null;
            if ($part === null) {
                continue;
            }
            $lines = $this->withoutPart($at);
            $address = $part->option('address');
            $advice[] = new Advice(
                'deadLink',
                $at,
                "The {$part->words()} leads nowhere: ".($address === '' ? 'these records have no page.' : $address),
                $lines === null ? 'Look at the pages' : 'Remove it',
                $lines === null ? null : $this->with('card', ['lines' => $lines]),
                $lines === null ? '/pages' : null,
            );
        }

        return $advice;
    }

    /** @return array<string, mixed> */
    private function with(string $key, mixed $value): array
    {
        return [$key => $value] + $this->module->toArray();
    }

    /**
     * @param  string  $at  `card.lines[0].parts[1]`
     * @param  array<string, mixed>  $part
     * @return array<string, mixed>
     */
    private function withPart(string $at, array $part): array
    {
        $card = $this->module->card->toArray();
        [$line, $place] = self::place($at);
        $card['lines'][$line]['parts'][$place] = $part;

        return $this->with('card', $card);
    }

    /** @return list<array{parts: list<array<string, mixed>>}>|null null where the card would be empty without it */
    private function withoutPart(string $at): ?array
    {
        [$line, $place] = self::place($at);
        $left = [];
        foreach ($this->module->card->toArray()['lines'] as $l => $one) {
            $parts = $l === $line ? array_diff_key($one['parts'], [$place => 0]) : $one['parts'];
            if ($parts !== []) {
                $left[] = ['parts' => array_values($parts)];
            }
        }

        return $left === [] ? null : $left;
    }

    /** @return array{int, int} the line and the place in it */
    private static function place(string $at): array
    {
        preg_match('/^card\.lines\[(\d+)\]\.parts\[(\d+)\]$/D', $at, $found);

        return [(int) ($found[1] ?? 0), (int) ($found[2] ?? 0)];
    }
}
