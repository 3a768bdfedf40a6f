<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Arrangement\Table;
use Wellspring\Core\Card\Card;
use Wellspring\Core\Choice\Chosen;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\WhenNothing;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Value\FromAddress;
use Wellspring\Core\Look\Departure;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/** The definition of one data-driven listing, validated by ModuleReader. */
readonly class Module
{
    public const KEY = '/^[a-z0-9-]{1,64}$/D';

    /** The part of the card that the arrangement shows. All rules about cards use it. */
    public Card $shownCard;

    /**
     * @param  Card  $card  as defined
     * @param  Group|null  $where  null if there are no conditions
     * @param  list<string>  $leaveOut  slugs
     * @param  list<string>  $pin  slugs, first to last
     * @param  non-empty-list<SortKey>  $order
     * @param  int<0, max>  $skip
     * @param  positive-int|null  $atMost
     * @param  Offer|null  $offer  the choices that visitors have
     * @param  string|null  $follows  the key of the module whose offer it follows
     * @param  Departure|null  $look  the differences from the site's look
     */
    public function __construct(
        public string $key,
        public string $name,
        public Source $source,
        public ?Group $where,
        public array $leaveOut,
        public array $pin,
        public array $order,
        public int $skip,
        public ?int $atMost,
        public PagingRule $page,
        public Arrangement $arrange,
        public Card $card,
        public WhenNothing $whenNothing,
        public ?Headings $headings = null,
        public ?Offer $offer = null,
        public ?string $follows = null,
        public ?Departure $look = null,
    ) {
        $this->shownCard = $arrange->showsTitleAlone() ? $card->titleAlone() : $card;
    }

    /** The type of its records: the fields that rules and cards can use. */
    public function type(): Type
    {
        return $this->source->type();
    }

    /** @return list<Reference> every place of the definition that names a field or a term */
    public function references(): array
    {
        $types = $this->source->recordsOf() === RecordsOf::Items ? $this->source->typeKeys() : [];
        $all = [
            ...$this->source->references('source', $types),
            ...$this->where?->references('where', $types) ?? [],
            ...$this->headings?->references('headings', $types) ?? [],
        ];
        foreach ($this->card->parts() as $at => $part) {
            array_push($all, ...$part->references($at, $types));
        }
        foreach ($this->order as $i => $key) {
            array_push($all, ...$key->by->references("order[{$i}]", $types));
        }
        array_push($all, ...$this->offer?->references('offer', $types) ?? []);
        $taxonomy = $this->source->slugTaxonomy();
        if ($taxonomy === null) {
            return $all;
        }
        foreach (['pin' => $this->pin, 'leaveOut' => $this->leaveOut] as $at => $slugs) {
            foreach ($slugs as $i => $slug) {
                $all[] = Reference::toTerm("{$at}[{$i}]", $taxonomy, $slug);
            }
        }

        return $all;
    }

    /** @return list<array{taxonomy: string, slug: string}> the terms that it names, each once */
    public function terms(): array
    {
        $terms = [];
        foreach ($this->references() as $reference) {
            if ($reference->taxonomy !== null) {
                $terms["{$reference->taxonomy}/{$reference->name}"] = [
                    'taxonomy' => $reference->taxonomy,
                    'slug' => $reference->name,
                ];
            }
        }

        return array_values($terms);
    }

    /**
     * @return list<Condition> of the manager and of what visitors may choose, at any depth, those that are off too
     */
    public function conditions(): array
    {
        return [
            ...$this->where?->conditions() ?? [],
            ...array_merge(...array_map(
                fn (OfferedFilter $filter): array => $filter->conditions(),
                $this->offer->filters ?? [],
            )),
        ];
    }

    /**
     * The choices that visitors have: the offer, and the sort orders of a table's columns.
     */
    public function offered(): ?Offer
    {
        $orders = $this->arrange instanceof Table && $this->arrange->isSortable()
            ? ColumnOrders::of($this->card, $this->type())
            : [];

        return $orders === [] ? $this->offer : ($this->offer ?? new Offer($this->key))->withOrders($orders);
    }

    /** @return list<string> the parameters of an address from which conditions take their values */
    public function addressNames(): array
    {
        $names = [];
        foreach ($this->where?->conditions() ?? [] as $condition) {
            if ($condition->value instanceof FromAddress) {
                $names[] = $condition->value->name;
            }
        }

        return $names;
    }

    /**
     * Binds the module to the context of a run: conditions get their values, and the visitor's choices of filters,
     * order, page size and arrangement apply.
     */
    public function bound(Context $context): BoundModule
    {
        $where = $this->where?->bound($context);
        $chosen = $this->offered()
            ?->chosen($context, $this->order, $this->page->size, $this->arrange) ?? new Chosen;
        $asked = $where === null
            ? $chosen->rule()
            : new BoundGroup(Join::All, [$where, ...array_filter([$chosen->rule()])]);
        $order = array_map(
            fn (SortKey $key): SortKey => new SortKey($key->by->bound($asked), $key->direction, $key->emptyFirst),
            $chosen->order->order ?? $this->order,
        );

        return new BoundModule(
            $this,
            $chosen,
            $where,
            $order,
            $chosen->size === null ? $this->page : $this->page->withSize($chosen->size),
            $chosen->arrangement->arrange ?? $this->arrange,
        );
    }

    /** Binds the module as defined, without the visitor's choices. */
    public function definition(): self
    {
        return $this;
    }

    /**
     * Adds the filters of the offer that it follows, each on its own field with the same key. Filters without such a
     * field, or whose control does not suit it, are left out.
     *
     * @param  array<array-key, Field>  $fields  the fields of its records, by key
     */
    public function following(Offer $offer, array $fields): self
    {
        return $this->copy(offer: $offer->filtersOn($fields));
    }

    /** The same with another paging, limited to the records that it shows itself. */
    public function paged(PagingRule $page): self
    {
        return $this->copy(atMost: $this->displayLimit(), page: $page);
    }

    /**
     * @return list<string> the address parameters that it reads, in canonical order; without those of an offer that it
     *   follows
     */
    public function parameterNames(): array
    {
        $offer = $this->follows === null ? $this->offered() : null;

        return [...$offer?->parameterNames() ?? [], $this->pageParameter(), ...$this->addressNames()];
    }

    /** The address parameter with its page number. */
    public function pageParameter(): string
    {
        return "{$this->key}-".Offer::PAGE;
    }

    /** @return array<string, mixed> as a file of format 1 holds it, every default said */
    public function toArray(): array
    {
        return ['format' => 1, 'key' => $this->key, 'name' => $this->name, 'source' => $this->source->toArray()]
            + ($this->where === null ? [] : ['where' => $this->where->toArray()])
            + ($this->leaveOut === [] ? [] : ['leaveOut' => $this->leaveOut])
            + ($this->pin === [] ? [] : ['pin' => $this->pin])
            + ($this->headings === null ? [] : ['headings' => $this->headings->toArray()])
            + ['order' => array_map(fn (SortKey $key): array => $key->toArray(), $this->order)]
            + ($this->skip === 0 ? [] : ['skip' => $this->skip])
            + ($this->atMost === null ? [] : ['atMost' => $this->atMost])
            + [
                'page' => $this->page->toArray(),
                'arrange' => $this->arrange->toArray(),
                'card' => $this->card->toArray(),
                'whenNothing' => $this->whenNothing->toArray(),
            ]
            + (($this->look?->toArray() ?? []) === [] ? [] : ['look' => $this->look?->toArray()])
            + match (true) {
                $this->follows !== null => ['offer' => ['follow' => $this->follows]],
                $this->offer !== null => ['offer' => $this->offer->toArray()],
                default => [],
            };
    }

    /** @return positive-int|null how many records it shows at most; null where there is no limit */
    public function displayLimit(): ?int
    {
        $fixed = $this->page->mode === PagingMode::Fixed ? $this->page->size : null;

        return $fixed === null || $this->atMost === null ? $fixed ?? $this->atMost : min($fixed, $this->atMost);
    }

    /**
     * The position among all shown records, after the skipped ones and within the limit.
     *
     * @param  int|null  $standing  a position among all listed records, 1 first; null: not listed
     * @return int|null null where it does not show
     */
    public function place(?int $standing): ?int
    {
        $place = $standing === null ? 0 : $standing - $this->skip;

        return $place >= 1 && ($this->displayLimit() === null || $place <= $this->displayLimit()) ? $place : null;
    }

    /** How many of `$listed` records show in all, after the skipped ones and within the limit. */
    public function total(int $listed): int
    {
        $left = max(0, $listed - $this->skip);

        return $this->displayLimit() === null ? $left : min($left, $this->displayLimit());
    }

    /**
     * The same with the given values replaced.
     *
     * @param  positive-int|null  $atMost
     */
    private function copy(?int $atMost = null, ?PagingRule $page = null, ?Offer $offer = null): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->source,
            $this->where,
            $this->leaveOut,
            $this->pin,
            $this->order,
            $this->skip,
            $atMost ?? $this->atMost,
            $page ?? $this->page,
            $this->arrange,
            $this->card,
            $this->whenNothing,
            $this->headings,
            $offer ?? $this->offer,
            $this->follows,
            $this->look,
        );
    }
}
