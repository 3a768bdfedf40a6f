<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\OrderReader;
use Wellspring\Core\Source\Source;

/** Reads the offer of a module. */
final readonly class OfferReader
{
    public const KEY = '/^[a-z0-9-]{1,64}$/D';

    /** The pattern of a filter's name in the address. */
    public const NAME = '/^[a-z][a-z0-9_-]{0,62}$/D';

    public const MAX_FILTERS = 30;

    public const MAX_OTHERS = 12;

    /**
     * @param  array<array-key, Field>  $fields  the fields that filters may use, by key
     * @param  ConditionReader  $rules  for the rules of filters
     */
    public function __construct(
        private Source $source,
        private array $fields,
        private ConditionReader $rules,
        private Problems $problems,
    ) {
    }

    /**
     * @param  string  $module  the module's key, which is the default key of the offer
     * @return Offer|null null where nothing is offered, or what another module's offer makes is followed
     */
    public function read(Shape $definition, string $module): ?Offer
    {
        if (! $definition->has('offer')) {
            return null;
        }
        $keys = ['key', 'filters', 'orders', 'sizes', 'arrangements'];
        $shape = new Shape($definition->raw('offer'), 'offer', $this->problems, $keys);
        if ($shape->has('follow')) {
            return null;
        }
        $key = $shape->text('key', $module);
        if (preg_match(self::KEY, $key) !== 1) {
            $shape->wrong('key', '1 to 64 small letters, digits and hyphens', $key);
        }
        $offer = new Offer(
            $key,
            $this->list($shape, 'filters', self::MAX_FILTERS, $this->filter(...)),
            $this->list($shape, 'orders', self::MAX_OTHERS, $this->order(...)),
            $this->sizes($shape),
            $this->list($shape, 'arrangements', self::MAX_OTHERS, $this->arrangement(...)),
            OptionValues::read(Offer::settings(), $shape),
        );
        $this->eachOnce($shape, 'filters', array_column($offer->filters, 'name'));
        $this->eachOnce($shape, 'orders', array_column($offer->orders, 'key'));
        $this->eachOnce($shape, 'arrangements', array_column($offer->arrangements, 'key'));
        $shape->noOthers();

        return $offer;
    }

    /** @return string|null the key of the offer whose choices the module follows */
    public function follows(Shape $definition): ?string
    {
        $offer = $definition->raw('offer');
        if (! is_array($offer) || ! array_key_exists('follow', $offer)) {
            return null;
        }
        $shape = new Shape($offer, 'offer', $this->problems, ['follow']);
        $key = $shape->text('follow');
        $shape->noOthers();

        return $key;
    }

    private function filter(Shape $shape): ?OfferedFilter
    {
        $key = $shape->text('field');
        $field = $this->fields[$key] ?? null;
        $controls = FilterControls::all();
        $control = $controls[$shape->oneOf('as', array_keys($controls))];
        $name = $shape->text('name', $key === '' ? null : $key);
        $join = $shape->oneOf('join', ['any', 'all'], 'any');
        $label = $shape->text('label', '');
        $most = $shape->wholeOrNull('most', 1, 500);
        $counts = ! $shape->has('counts') || $shape->flag('counts');
        $open = ! $shape->has('open') || $shape->flag('open');
        $options = $shape->slugs('options');
        $rule = $control->takesRule() ? $this->rules->rule($shape->raw('rule'), $shape->at('rule')) : null;
        $settings = OptionValues::read($control->settings(), $shape);
        $shape->noOthers();
        if ($field === null) {
            if ($key !== '') {
                $shape->wrong('field', 'a field to filter by ('.implode(', ', array_keys($this->fields)).')', $key);
            }

            return null;
        }
        if (! $control->suits($field)) {
            $shape->wrong('as', implode(' or ', FilterControls::suiting($field)) ?: 'another field', $control->key());

            return null;
        }
        if (preg_match(self::NAME, $name) !== 1 || in_array($name, Offer::RESERVED, true)) {
            $shape->wrong(
                'name',
                'small letters, digits and hyphens, and not '.implode(', ', Offer::RESERVED)
                    .': so the address calls the filter',
                $name,
            );
        }
        if ($join === 'all' && ! $control->takesSeveral()) {
            $shape->wrong('join', 'any: of this control one option is chosen at a time', $join);
        } elseif ($join === 'all' && Tests::find('allOf', $field->family()) === null) {
            $shape->wrong('join', 'any: a record has one value of it', $join);
        }
        $filter = new OfferedFilter(
            $field,
            $control,
            $name,
            $join === 'all' ? Quantifier::All : Quantifier::Any,
            $label,
            $options,
            $most === null ? null : max(1, $most),
            $counts,
            $open,
            $rule,
            $settings,
        );
        foreach (array_diff($options, array_map(strval(...), array_keys($control->options($filter)))) as $unknown) {
            $shape->wrong('options', "options of {$field->label}", $unknown);
        }

        return $filter;
    }

    private function order(Shape $shape): ?OfferedOrder
    {
        [$key, $name] = [$this->key($shape), $shape->text('name')];
        $order = (new OrderReader($this->source, $this->problems))->keys($shape);
        $shape->noOthers();
        if ($order === []) {
            $shape->wrong('order', 'at least one sort key', $shape->raw('order'));

            return null;
        }

        return new OfferedOrder($key, $name, $order);
    }

    private function arrangement(Shape $shape): ?OfferedArrangement
    {
        [$key, $name] = [$this->key($shape), $shape->text('name')];
        if (! $shape->has('arrange')) {
            $shape->wrong('arrange', 'an arrangement', null);

            return null;
        }
        $arrange = Arrangements::read($shape);
        $shape->noOthers();

        return new OfferedArrangement($key, $name, $arrange);
    }

    private function key(Shape $shape): string
    {
        $key = $shape->text('key');
        if ($key !== '' && preg_match(self::NAME, $key) !== 1) {
            $shape->wrong('key', 'small letters, digits and hyphens, a letter first', $key);
        }

        return $key;
    }

    /** @return list<positive-int> */
    private function sizes(Shape $shape): array
    {
        $sizes = [];
        foreach ($shape->items('sizes') as $i => $size) {
            if (! is_int($size) || $size < 1 || $size > PagingRule::MAX_SIZE) {
                $this->problems->add(
                    Path::to($shape->at('sizes'), $i),
                    ProblemCode::WrongValue,
                    'expected a whole number from 1 to '.PagingRule::MAX_SIZE.', found '.Shape::describe($size).'.',
                );
            } else {
                $sizes[] = $size;
            }
        }
        $this->eachOnce($shape, 'sizes', $sizes);

        return $sizes;
    }

    /**
     * @template T of object
     *
     * @param  \Closure(Shape): (T|null)  $read
     * @return list<T> those that could be read
     */
    private function list(Shape $shape, string $key, int $most, \Closure $read): array
    {
        $given = $shape->items($key);
        if (count($given) > $most) {
            $shape->wrong($key, "at most {$most}", $given);
        }
        $all = [];
        foreach (array_slice($given, 0, $most) as $i => $one) {
            $at = Path::to($shape->at($key), $i);
            $all[] = $this->problems->part($at, fn () => $read(new Shape($one, $at, $this->problems)), null);
        }

        return array_values(array_filter($all));
    }

    /** @param  list<int|string>  $names */
    private function eachOnce(Shape $shape, string $key, array $names): void
    {
        foreach (array_unique(array_diff_assoc($names, array_unique($names))) as $twice) {
            $this->problems->add(
                $shape->at($key),
                ProblemCode::Twice,
                "“{$twice}” stands there twice; expected each once.",
            );
        }
    }
}
