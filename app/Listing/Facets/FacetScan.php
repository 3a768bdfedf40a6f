<?php

declare(strict_types=1);

namespace App\Listing\Facets;

use App\Catalogue\ValueColumns;
use App\Listing\Compile\Compiler;
use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use App\Listing\Indexes\Indexes;
use App\Listing\ModuleQuery;
use Illuminate\Database\Query\Builder;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\Items;

/**
 * The query that reads, for each record that would be listed without the visitor's choices, its values for the module's
 * filters, and which chosen filters it fails.
 *
 * For a single type, values come from generated columns, so that an index over these columns can answer (Indexes). The
 * few items that do not fit into the index are read separately.
 */
final readonly class FacetScan
{
    /** Marker: the record fails no filter. */
    public const NONE = -1;

    /** The code of a failed filter that has no counts. */
    private const NOT_COUNTED = 1_000_000;

    /** The item columns in the index besides the values. Long or possibly long columns are left out. */
    private const SHORT_COLUMNS = [
        'id', 'type_key', 'status', 'publish_at', 'expire_at', 'audience', 'lead', 'author_id', 'created_at',
        'updated_at', 'term_ids', 'term_list',
    ];

    public function __construct(
        private ModuleQuery $query,
        private Compiler $compiler,
        private ValueColumns $valueColumns,
    ) {
    }

    /**
     * One row for each record: its value for each filter as text (`held0` and so on; null: none), and the filters that
     * it `fails`.
     *
     * @param  list<OfferedFilter>  $filters  of its offer
     */
    public function of(BoundModule $module, Context $context, array $filters): Fragment
    {
        $asked = $this->asked($module, $context, $filters);
        $type = self::singleType($module);
        if ($type === null) {
            return new Fragment($asked->toSql(), $asked->getBindings());
        }
        $asked = (clone $asked)->whereRaw('items.fits_index')
            ->unionAll((clone $asked)->whereRaw('not items.fits_index'));

        return new Fragment(
            FieldSql::inColumns($asked->toSql(), $this->valueColumns->of($type)),
            $asked->getBindings(),
        );
    }

    /**
     * The columns that the counts of a module's filters read.
     *
     * @return list<string>|null null where an index cannot hold them all
     */
    public function columnsRead(BoundModule $module, Context $context): ?array
    {
        $filters = $module->offer->filters ?? [];
        $type = self::singleType($module);
        if ($filters === [] || $type === null) {
            return null;
        }
        $values = $this->valueColumns->of($type);
        $read = self::columnsIn(FieldSql::inColumns($this->asked($module, $context, $filters)->toSql(), $values));
        // Filters that this page does not use, or that are not chosen, may be used by the next page.
        $asked = array_map(fn (Condition $one): string => $one->field->key, $module->where?->conditions() ?? []);
        $read = array_unique([...$read, 'term_ids', ...array_intersect_key($values, array_flip($asked))]);

        return array_diff($read, self::SHORT_COLUMNS, $values) === [] ? array_values($read) : null;
    }

    /** @param  list<OfferedFilter>  $filters */
    private function asked(BoundModule $module, Context $context, array $filters): Builder
    {
        $asked = $this->query->unchosen($module, $context)->toBase();
        foreach ($filters as $i => $filter) {
            $held = $this->held($filter, $context);
            $asked->selectRaw("{$held->sql} as held{$i}", $held->bindings);
        }
        $fails = $this->fails($module, $context, $filters);

        return $asked->selectRaw("{$fails->sql} as fails", $fails->bindings);
    }

    /**
     * The place of the only filter that a record fails. NONE if it fails none. Null if it fails several, or one that is
     * not counted.
     *
     * The SQL adds a code for each failed filter. A sum that is the code of one filter means that it failed alone.
     *
     * @param  list<OfferedFilter>  $filters
     */
    private function fails(BoundModule $module, Context $context, array $filters): Fragment
    {
        if ($module->chosen->filters === []) {
            return new Fragment((string) self::NONE);
        }
        $places = array_flip(array_column($filters, 'name'));
        $sum = $bindings = [];
        foreach ($module->chosen->filters as $chosen) {
            $rule = $this->compiler->rule($chosen->rule, $context)->not();
            $place = $places[$chosen->filter->name] ?? null;
            $code = $place === null ? self::NOT_COUNTED : self::code($place);
            $sum[] = "case when {$rule->sql} then {$code} else 0 end";
            array_push($bindings, ...$rule->bindings);
        }
        $which = array_map(
            fn (int $place): string => ' when '.self::code($place)." then {$place}",
            array_keys($filters),
        );

        return new Fragment(
            'case '.implode(' + ', $sum).' when 0 then '.self::NONE.implode($which).' end',
            $bindings,
        );
    }

    /** Each code is 1 more than a multiple of 1,000, so no sum of other codes equals it. */
    private static function code(int $place): int
    {
        return 1 + 1000 * ($place + 1);
    }

    /** A record's value for a filter's field, as text. */
    private function held(OfferedFilter $filter, Context $context): Fragment
    {
        $field = $filter->field;

        return match ($filter->control->counting()) {
            Counting::Values => new Fragment(
                $field->family() === Family::Terms ? 'items.term_list' : FieldSql::raw($field),
            ),
            Counting::Rules => $this->answers($filter, $context),
            // As stored. Equal numbers in different notations are merged later.
            Counting::Numbers => new Fragment(
                '('.($field->shared ? FieldSql::number($field) : FieldSql::raw($field)).')::text',
            ),
            Counting::Days => self::day($field, $context),
            Counting::Nothing => new Fragment('null::text'),
        };
    }

    /** For each option in turn `1` if its rule keeps the record, else `0`. */
    private function answers(OfferedFilter $filter, Context $context): Fragment
    {
        $rules = array_map(
            fn (string $option): BoundCondition|BoundGroup => $filter->ruleOf($option, $context),
            array_map(strval(...), array_keys($filter->options())),
        );
        $answers = array_map(
            fn (BoundCondition|BoundGroup $rule): Fragment => $this->compiler->rule($rule, $context),
            $rules,
        );

        return new Fragment(
            implode(' || ', array_map(
                fn (Fragment $rule): string => "case when {$rule->sql} then '1' else '0' end",
                $answers,
            )),
            array_merge(...array_map(fn (Fragment $rule): array => $rule->bindings, $answers)),
        );
    }

    private static function day(Field $field, Context $context): Fragment
    {
        $raw = FieldSql::raw($field);

        return $field->family() === Family::Date
            ? new Fragment($raw)
            : new Fragment("(({$raw}::timestamptz at time zone ?)::date)::text", [$context->calendar->zone->getName()]);
    }

    /** @return string|null key of the type that all its records are of; null where there are several, or none */
    private static function singleType(BoundModule $module): ?string
    {
        return $module->source->wholeType()?->key;
    }

    /** @return list<string> */
    private static function columnsIn(string $sql): array
    {
        preg_match_all('/\bitems"?\."?([a-z_0-9]+)/', $sql, $found);

        return array_values(array_unique($found[1]));
    }
}
