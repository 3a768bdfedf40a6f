<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use Wellspring\Core\Choice\Control\Near;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetOption;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Wording\Format;

/** What a visitor can choose in a listing, with the address of each choice. */
final readonly class ChoicesView
{
    /** Above this number of days, only the two ends can be chosen, not single bars. */
    private const DAY_LINKS = 24;

    public Offer $offer;

    public ChoiceTools $tools;

    /** @var list<Facet> */
    public array $facets;

    /**
     * @param  PageAddress  $address  of the page that the listing stands on
     * @param  string  $anchor  the listing's id there
     * @param  list<string>|null  $only  names of the offered filters; null: all
     */
    public function __construct(
        private VisitorListing $listing,
        private PageAddress $address,
        private Format $format,
        public string $anchor,
        ?array $only = null,
    ) {
        $this->offer = $listing->module->own->offered() ?? new Offer($listing->module->own->key);
        $this->tools = new ChoiceTools($listing, $this->address(...), $format->words());
        $chosen = $listing->module->chosen->filters !== [];
        $this->facets = array_values(array_filter(
            $listing->facets,
            fn (Facet $facet): bool => ($only === null || in_array($facet->filter->name, $only, true))
                && ($chosen || $facet->isOfUse()),
        ));
    }

    /** The id of the form that all controls belong to. */
    public function form(): string
    {
        return "{$this->offer->key}-choices";
    }

    public function path(): string
    {
        return $this->address->path;
    }

    /**
     * @return array<string, string> the hidden values of the form: the choices of other listings on the page, and
     *   choices made by links alone
     */
    public function hidden(): array
    {
        $byLinks = array_map(
            fn (Facet $facet): string => $this->parameter($facet),
            array_filter($this->facets, fn (Facet $facet): bool => $facet->filter->control->isChosenByLinks()),
        );

        $byOthers = [
            $this->offer->parameter(Offer::ARRANGEMENT),
            ...$this->tools->orders() === [] ? [$this->offer->parameter(Offer::SORT)] : [],
            ...$this->tools->sizes() === [] ? [$this->offer->parameter(Offer::SIZE)] : [],
        ];

        return $this->address->without(...array_diff($this->own(), $byOthers, $byLinks))->parameters;
    }

    /** @return list<string> classes of the listing */
    public function classes(): array
    {
        return ["choices-{$this->stands()}", ...$this->isDrawerOnPhone() ? ['choices-drawer'] : []];
    }

    public function stands(): string
    {
        return $this->facets === [] ? 'apart' : (string) $this->offer->setting(Offer::STAND);
    }

    public function isDrawerOnPhone(): bool
    {
        return $this->facets !== [] && $this->offer->setting(Offer::ON_PHONE) === 'drawer';
    }

    public function canBeRemembered(): bool
    {
        return $this->offer->setting(Offer::REMEMBER) === true && $this->tools->areThere();
    }

    public function total(): int
    {
        return $this->listing->result->total;
    }

    /** The text above the records, such as "1–12 of 60"; empty if there is none. */
    public function count(): string
    {
        return $this->listing->countWords($this->format);
    }

    /**
     * @return list<array{words: string, label: string, address: string, isOnPhone: bool}> the chosen filters; each
     *   address removes one. A filter that shows its own choice is listed on phones only, where the filter is in the
     *   drawer
     */
    public function chosen(): array
    {
        $chosen = [];
        foreach ($this->listing->module->chosen->filters as $one) {
            $isShown = $one->filter->control->showsItsChoice();
            if (! $isShown || $this->isDrawerOnPhone()) {
                $chosen[] = [
                    'words' => $one->words($this->format),
                    'label' => $one->filter->label(),
                    'address' => $this->address($one->filter->name, null),
                    'isOnPhone' => $isShown,
                ];
            }
        }

        return $chosen;
    }

    /** The address without any filter. */
    public function clearAddress(): string
    {
        return $this->address->without(
            $this->listing->module->own->pageParameter(),
            ...array_map(fn (Facet $facet): string => $this->offer->parameter($facet->filter->name), $this->facets),
        )->withFragment($this->anchor);
    }

    /** @return list<array{words: string, count: int, address: string}> how many there were without each choice */
    public function withoutEach(): array
    {
        $said = [];
        foreach ($this->facets as $facet) {
            if ($facet->chosen !== null && $facet->left > 0) {
                $said[] = [
                    'words' => $facet->chosen->words($this->format),
                    'count' => $this->listing->module->total($facet->left),
                    'address' => $this->address($facet->filter->name, null),
                ];
            }
        }

        return $said;
    }

    /** The label of the button that shows the results. */
    public function showWords(): string
    {
        return $this->format->words()->text('choices.show', ['total' => $this->total()]);
    }

    /** How an option of a filter reads. */
    public function label(Facet $facet, FacetOption $option): string
    {
        return $facet->filter->control->isOneBox($facet->filter)
            ? $option->label
            : $facet->filter->control->optionWords($option->value, $option->label, $this->format);
    }

    /** True if all filters work by links alone, so that the form has no controls. */
    public function areChosenByLinks(): bool
    {
        return array_filter(
            $this->facets,
            fn (Facet $facet): bool => ! $facet->filter->control->isChosenByLinks(),
        ) === [];
    }

    /** True if the filter is one check box with the filter's name. */
    public function isOneBox(Facet $facet): bool
    {
        return $facet->filter->control->isOneBox($facet->filter);
    }

    public function parameter(Facet $facet): string
    {
        return $this->offer->parameter($facet->filter->name);
    }

    /** The id of the filter's element. */
    public function id(Facet $facet): string
    {
        return "{$this->offer->key}-{$facet->filter->name}";
    }

    /** The address that chooses an option, or removes it if it is chosen. */
    public function optionAddress(Facet $facet, FacetOption $option): string
    {
        $rest = array_values(array_diff($facet->chosen->options ?? [], [$option->value]));
        $several = $facet->filter->control->takesSeveral();
        $wanted = match (true) {
            $option->isChosen => $several ? $rest : [],
            $several => [...$rest, $option->value],
            default => [$option->value],
        };

        return $this->address(
            $facet->filter->name,
            $wanted === [] ? null : $facet->filter->read(implode(',', $wanted))?->said,
        );
    }

    public function allAddress(Facet $facet): string
    {
        return $this->address($facet->filter->name, null);
    }

    /**
     * For a filter by days: its months, weeks or days that have records.
     *
     * @return list<array{words: string, count: int, address: string, isChosen: bool}>
     */
    public function dayLinks(Facet $facet): array
    {
        $bars = array_filter($facet->range->bars ?? [], fn (array $bar): bool => $bar[2] > 0);
        if (count($bars) > self::DAY_LINKS) {
            return [];
        }

        return array_values(array_map(function (array $bar) use ($facet): array {
            [$from, $to] = [(string) $bar[0], (string) $bar[1]];
            $isChosen = $facet->chosen?->ends === [$from, $to];

            return [
                'words' => $this->days($from, $to),
                'count' => $bar[2],
                'address' => $this->address($facet->filter->name, $isChosen ? null : "{$from}..{$to}"),
                'isChosen' => $isChosen,
            ];
        }, $bars));
    }

    /**
     * For a filter by numbers: its bars, each as a share of the highest, and whether the choice includes it.
     *
     * @return list<array{share: float, isIn: bool, words: string}>
     */
    public function bars(Facet $facet): array
    {
        $bars = $facet->range->bars ?? [];
        $most = max([1, ...array_column($bars, 2)]);
        [$from, $to] = $facet->chosen->ends ?? [null, null];

        return array_map(fn (array $bar): array => [
            'share' => round(100 * $bar[2] / $most, 1),
            'isIn' => ($from === null || $bar[1] >= $from) && ($to === null || $bar[0] <= $to),
            'words' => "{$this->written($facet, $bar[0])}–{$this->written($facet, $bar[1])}: {$bar[2]}",
        ], $bars);
    }

    /** @return array{min: float, max: float, step: float}|null null where there are no values */
    public function scale(Facet $facet): ?array
    {
        if ($facet->range === null) {
            return null;
        }
        $field = $facet->filter->field;
        [$min, $max, $step] = $facet->range->scale($field->limits->decimals ?? 2);

        return ['min' => $min, 'max' => $max, 'step' => $step];
    }

    /** @return array{string, string} what stands before and after a number of the filter: `£` or `cm` */
    public function unit(Facet $facet): array
    {
        $field = $facet->filter->field;

        return $field->kind->key() === 'money' ? $this->format->aroundMoney() : ['', $field->unit];
    }

    /** The CSS class for the width of a range's boxes; empty for the usual width. */
    public function boxes(Facet $facet): string
    {
        $values = [$facet->range?->least, $facet->range?->greatest, ...$facet->chosen->ends ?? []];
        $longest = max(array_map(fn (mixed $value): int => strlen((string) json_encode($value)), $values));

        return match (true) {
            $longest > 9 => 'for-very-long',
            $longest > 5 => 'for-long',
            default => '',
        };
    }

    /** A value as the site writes it. */
    public function written(Facet $facet, int|float|string $value): string
    {
        return (string) $facet->filter->field->display(
            is_float($value) && floor($value) === $value ? (int) $value : $value,
            $this->format,
        );
    }

    /** @return array<string, array{name: string, latitude: int|float, longitude: int|float}> by key */
    public function points(Facet $facet): array
    {
        return Near::points($facet->filter);
    }

    /** @return array<int, string> how each distance reads, by kilometres */
    public function distances(Facet $facet): array
    {
        $words = [];
        foreach (Near::distances($facet->filter) as $km) {
            $words[$km] = $this->format->number($km, 'km');
        }

        return $words;
    }

    /** True if a record must have all chosen options. */
    public function asksAll(Facet $facet): bool
    {
        return $facet->filter->join === Quantifier::All;
    }

    private function days(string $from, string $to): string
    {
        return match (true) {
            $from === $to => $this->format->day($from),
            substr($from, 0, 7) === substr($to, 0, 7) && str_ends_with($from, '-01')
                && $to === (new \DateTimeImmutable($from))->format('Y-m-t') => $this->format->month($from),
            str_ends_with($from, '-01-01') && str_ends_with($to, '-12-31') => substr($from, 0, 4),
            default => "{$this->format->day($from)} – {$this->format->day($to)}",
        };
    }

    /** The page's address with a changed choice, on page 1. */
    private function address(string $name, ?string $value): string
    {
        return $this->address
            ->without($this->listing->module->own->pageParameter())
            ->with($this->offer->parameter($name), $value, $this->anchor);
    }

    /** @return list<string> the parameters that the form's controls and the pages of the listing have */
    private function own(): array
    {
        return [...$this->offer->parameterNames(), $this->listing->module->own->pageParameter()];
    }
}
