<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Sort\SortKey;

/**
 * The choices that a module offers to visitors: filters, orders, page sizes, arrangements. Parameters of the address
 * are the offer's key, a hyphen and a name: `shade-light`, `shade-sort`.
 */
final readonly class Offer
{
    public const SORT = 'sort';

    public const SIZE = 'size';

    public const ARRANGEMENT = 'as';

    /** Where the filters stand, by `stand`. */
    public const STAND = 'stand';

    /** How they appear on a phone, by `onPhone`. */
    public const ON_PHONE = 'onPhone';

    public const REMEMBER = 'remember';

    /** Reserved names, which cannot be names of filters. */
    public const RESERVED = [self::SORT, self::SIZE, self::ARRANGEMENT, self::PAGE];

    public const PAGE = 'page';

    /**
     * @param  string  $key  `[a-z0-9-]`, 1 to 64
     * @param  list<OfferedFilter>  $filters
     * @param  list<OfferedOrder>  $orders
     * @param  list<positive-int>  $sizes
     * @param  list<OfferedArrangement>  $arrangements
     * @param  OptionValues|null  $settings  see settings(); null: all defaults
     */
    public function __construct(
        public string $key,
        public array $filters = [],
        public array $orders = [],
        public array $sizes = [],
        public array $arrangements = [],
        private ?OptionValues $settings = null,
    ) {
    }

    /** @return list<Option> what is said of the offer as a whole */
    public static function settings(): array
    {
        return [
            new OneOf(self::STAND, 'Filters stand', [
                'beside' => 'Beside the results', 'above' => 'Above the results', 'apart' => 'In a block of their own',
            ], 'beside'),
            new OneOf(self::ON_PHONE, 'On a phone', [
                'drawer' => 'In a drawer', 'above' => 'Above the results',
            ], 'drawer'),
            new Flag(self::REMEMBER, 'Visitors may have order, size and arrangement remembered'),
        ];
    }

    public function setting(string $key): string|bool
    {
        $value = ($this->settings ?? OptionValues::defaults(self::settings()))->get($key);

        return is_bool($value) || is_string($value) ? $value : '';
    }

    /** @return array<string, mixed> what is said of it as a whole */
    public function said(): array
    {
        return $this->settings?->said() ?? [];
    }

    /**
     * Reads the visitor's choices. A choice counts only if the offer has it and it differs from the module's default.
     *
     * @param  list<SortKey>  $order  the module's default
     * @param  int  $size  the module's default
     */
    public function chosen(Context $context, array $order, int $size, Arrangement $arrange): Chosen
    {
        $choices = $context->choices;
        $filters = [];
        foreach ($this->filters as $filter) {
            $said = $choices->value("{$this->key}-{$filter->name}");
            $filters[] = $said === null ? null : $filter->read($said)?->bound($context);
        }
        $own = fn (array $keys): array => array_map(fn (SortKey $key): array => $key->toArray(), $keys);
        $sort = self::named($this->orders, $choices->value($this->key.'-'.self::SORT));
        $as = self::named($this->arrangements, $choices->value($this->key.'-'.self::ARRANGEMENT));
        $wanted = $choices->value($this->key.'-'.self::SIZE);
        $sizes = array_filter($this->sizes, fn (int $one): bool => (string) $one === $wanted && $one !== $size);

        return new Chosen(
            $this->key,
            array_values(array_filter($filters)),
            $sort !== null && $own($sort->order) !== $own($order) ? $sort : null,
            array_values($sizes)[0] ?? null,
            $as !== null && $as->arrange->toArray() !== $arrange->toArray() ? $as : null,
        );
    }

    public function parameter(string $name): string
    {
        return "{$this->key}-{$name}";
    }

    /** @return list<string> in the order of the canonical address */
    public function parameterNames(): array
    {
        return array_map($this->parameter(...), [
            ...array_column($this->filters, 'name'), self::SORT, self::SIZE, self::ARRANGEMENT,
        ]);
    }

    /** @param  list<OfferedOrder>  $more  besides its own */
    public function withOrders(array $more): self
    {
        return new self(
            $this->key,
            $this->filters,
            [...$this->orders, ...$more],
            $this->sizes,
            $this->arrangements,
            $this->settings,
        );
    }

    /**
     * The offer for another type: filters on fields with the same keys, if the controls suit them and their rules use
     * existing fields.
     *
     * @param  array<array-key, Field>  $fields  by key
     */
    public function filtersOn(array $fields): self
    {
        $filters = array_map(
            fn (OfferedFilter $one): ?OfferedFilter => isset($fields[$one->field->key])
                && $one->control->suits($fields[$one->field->key])
                && $one->asksOnly($fields) ? $one->on($fields[$one->field->key]) : null,
            $this->filters,
        );

        return new self($this->key, array_values(array_filter($filters)));
    }

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        $all = [];
        foreach ($this->filters as $i => $filter) {
            array_push($all, ...$filter->references("{$at}.filters[{$i}]", $types));
        }
        foreach ($this->orders as $i => $order) {
            foreach ($order->order as $n => $key) {
                array_push($all, ...$key->by->references("{$at}.orders[{$i}].order[{$n}]", $types));
            }
        }

        return $all;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $lists = [
            'filters' => array_map(fn (OfferedFilter $one): array => $one->toArray(), $this->filters),
            'orders' => array_map(fn (OfferedOrder $one): array => $one->toArray(), $this->orders),
            'sizes' => $this->sizes,
            'arrangements' => array_map(fn (OfferedArrangement $one): array => $one->toArray(), $this->arrangements),
        ];

        return ['key' => $this->key] + array_filter($lists, fn (array $list): bool => $list !== []) + $this->said();
    }

    /**
     * @template T of OfferedOrder|OfferedArrangement
     *
     * @param  list<T>  $all
     * @return T|null
     */
    private static function named(array $all, ?string $key): OfferedOrder|OfferedArrangement|null
    {
        foreach ($all as $one) {
            if ($one->key === $key) {
                return $one;
            }
        }

        return null;
    }
}
