<?php

declare(strict_types=1);

namespace App\Listing\Indexes;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use App\Listing\Compile\OrderSql;
use App\Listing\ContextFactory;
use App\Listing\Facets\FacetScan;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Source\Items;

/**
 * The indexes for live modules: one for each order, one for each field in a condition, and one for all filters with
 * counts. Each covers the published items of one type. They are created and dropped while the site runs. PostgreSQL has
 * no statistics for expressions by type, so extended statistics of each field are created as well.
 */
final readonly class Indexes
{
    private const PREFIX = 'wellspring_module_';

    /** An arbitrary number that no other advisory lock uses. */
    private const LOCK = 7_310_415;

    /** Maximum number of texts in one index: each takes up to 4 bytes for each of its 200 characters. */
    private const TEXTS = 3;

    private const STATISTICS = self::PREFIX.'stats_';

    public function __construct(
        private OrderSql $orders,
        private ContextFactory $contexts,
        private FacetScan $facets,
    ) {
    }

    /**
     * @param  list<Module>  $modules  all live modules
     * @return array<string, array{kind: 'index'|'statistics', sql: string, what: string, modules: list<string>}> what
     *   is needed, by name, with the keys of the modules that it serves
     */
    public function needed(array $modules): array
    {
        $needed = [];
        foreach ($modules as $module) {
            foreach ($this->of($module) as $name => $index) {
                $needed[$name] = ['modules' => [...$needed[$name]['modules'] ?? [], $module->key]] + $index;
            }
        }

        return $needed;
    }

    /** @return array<string, bool> what is there, by name, and whether it is whole */
    public function present(): array
    {
        $rows = DB::table('pg_index')
            ->join('pg_class', 'pg_class.oid', '=', 'pg_index.indexrelid')
            ->join('pg_namespace', 'pg_namespace.oid', '=', 'pg_class.relnamespace')
            ->whereRaw('pg_namespace.nspname = current_schema()')->where(
                'pg_class.relname',
                'like',
                addcslashes(self::PREFIX, '_').'%',
            )
            ->pluck('pg_index.indisvalid', 'pg_class.relname')->all();

        $statistics = DB::table('pg_statistic_ext')->join(
            'pg_namespace',
            'pg_namespace.oid',
            '=',
            'pg_statistic_ext.stxnamespace',
        )
            ->whereRaw('pg_namespace.nspname = current_schema()')
            ->where('stxname', 'like', addcslashes(self::PREFIX, '_').'%')
            ->pluck('stxname')
            ->all();

        return array_map(
            fn (mixed $whole): bool => (bool) $whole,
            $rows,
        ) + array_fill_keys(array_filter($statistics, is_string(...)), true);
    }

    /**
     * Creates missing indexes and drops unused ones. Only one process does so at a time, because two concurrent index
     * builds would wait for each other.
     *
     * @param  list<Module>  $modules  all live modules
     * @param  \Closure(string): void|null  $tell  receives the progress
     * @return array{made: list<string>, dropped: list<string>, failed: array<string, string>} names; for failures, the
     *   reason by name
     */
    public function keep(array $modules, ?\Closure $tell = null): array
    {
        $tell ??= fn (string $what) => null;
        // Poll instead of blocking: a blocked session holds a snapshot that CREATE INDEX CONCURRENTLY waits for.
        for ($tries = 0; DB::scalar('select pg_try_advisory_lock(?)', [self::LOCK]) !== true; $tries++) {
            if ($tries === 0) {
                $tell('wait for another process that does the same');
            }
            usleep(250_000);
        }
        try {
            return $this->kept($modules, $tell);
        } finally {
            DB::scalar('select pg_advisory_unlock(?)', [self::LOCK]);
        }
    }

    /**
     * @param  list<Module>  $modules
     * @param  \Closure(string): mixed  $tell
     * @return array{made: list<string>, dropped: list<string>, failed: array<string, string>}
     */
    private function kept(array $modules, \Closure $tell): array
    {
        $needed = $this->needed($modules);
        $present = $this->present();
        $made = $dropped = $failed = [];
        foreach ($present as $name => $whole) {
            // An interrupted build leaves an invalid index.
            if (! isset($needed[$name]) || ! $whole) {
                $tell("drop {$name}");
                self::drop($name);
                $dropped[] = $name;
            }
        }
        foreach ($needed as $name => $index) {
            if (($present[$name] ?? false) === false) {
                $tell("make {$name}: {$index['what']}");
                $make = $index['kind'] === 'index' ? 'create index concurrently' : 'create statistics';
                try {
                    DB::statement("{$make} if not exists {$name} {$index['sql']}");
                    $made[] = $name;
                } catch (QueryException $fault) {
                    self::drop($name);
                    $failed[$name] = self::reason($fault);
                    $tell("could not make {$name}: {$failed[$name]}");
                }
            }
        }
        $failed += $made === [] ? [] : self::analyze($made);
        $made = array_values(array_diff($made, array_keys($failed)));
        $this->report($needed, $failed);

        return ['made' => $made, 'dropped' => $dropped, 'failed' => $failed];
    }

    /**
     * The planner uses the statistics of an expression only after ANALYZE. If an expression cannot read a value,
     * ANALYZE fails, also in autovacuum; then the new statistics are dropped.
     *
     * @param  list<string>  $made  names
     * @return array<string, string> what failed: reasons by name
     */
    private static function analyze(array $made): array
    {
        try {
            DB::statement('analyze items');

            return [];
        } catch (QueryException $fault) {
            $statistics = array_filter($made, fn (string $name): bool => str_starts_with($name, self::STATISTICS));
            array_map(self::drop(...), $statistics);

            return array_fill_keys($statistics, self::reason($fault));
        }
    }

    private static function reason(QueryException $fault): string
    {
        $reason = $fault->errorInfo[2] ?? null;

        return is_string($reason) ? trim(explode("\n", $reason)[0]) : $fault->getMessage();
    }

    private static function drop(string $name): void
    {
        DB::statement(
            str_starts_with($name, self::STATISTICS)
                ? "drop statistics if exists {$name}"
                : "drop index concurrently if exists {$name}",
        );
    }

    /**
     * Stores the failures, so that Manage can show them with the modules that need the index.
     *
     * @param  array<string, array{kind: string, sql: string, what: string, modules: list<string>}>  $needed
     * @param  array<string, string>  $failed  reasons by name
     */
    private function report(array $needed, array $failed): void
    {
        DB::transaction(function () use ($needed, $failed): void {
            DB::table('index_faults')->delete();
            foreach ($failed as $name => $reason) {
                DB::table('index_faults')->insert([
                    'name' => $name,
                    'what' => $needed[$name]['what'],
                    'modules' => json_encode($needed[$name]['modules'], JSON_THROW_ON_ERROR),
                    'reason' => $reason,
                    'at' => now(),
                ]);
            }
        });
    }

    /** @return array<array-key, list<string>> what is missing for the listing of each module to be quick, by its key */
    public static function faults(): array
    {
        $faults = [];
        foreach (DB::table('index_faults')->orderBy('name')->get(['what', 'modules', 'reason']) as $fault) {
            foreach ((array) json_decode(is_string($fault->modules) ? $fault->modules : '[]', true) as $module) {
                $faults[is_string($module) ? $module : ''][] = 'The list works, but may be slow: the database could '
                    ."not make the index of {$fault->what} ({$fault->reason}).";
            }
        }

        return $faults;
    }

    /** @return array<string, array{kind: 'index'|'statistics', sql: string, what: string}> by name */
    private function of(Module $module): array
    {
        $type = $module->source->wholeType();
        if ($type === null) {
            return [];
        }
        $indexes = [];
        $add = function (string $columns, string $what, string $and = '') use (&$indexes, $type): void {
            $sql = "on items {$columns} where type_key = '{$type->key}' and status = 'published'{$and}";
            $indexes[self::PREFIX.substr(hash('sha256', $sql), 0, 12)] = [
                'kind' => 'index',
                'sql' => $sql,
                'what' => "{$type->plural} {$what}",
            ];
        };
        $context = $this->contexts->now();
        $bound = $module->bound($context);
        if ($module->headings === null && $this->sorts($module->order)) {
            $orders = $this->orders->of($bound, $context);
            $columns = array_map(
                fn (OrderBy $by): string => '('.self::literal($by->by).')'.substr($by->sql(), strlen($by->by->sql)),
                self::thatFit($orders),
            );
            $add(
                '('.str_replace('items.', '', implode(', ', $columns)).')',
                'in order of '.implode(
                    ', then ',
                    array_map(fn (SortKey $key): string => $key->by->label(), $module->order),
                ),
            );
        }
        $counted = $this->facets->columnsRead($bound, $context);
        if ($counted !== null) {
            $counted = array_diff($counted, ['type_key', 'status', 'publish_at', 'fits_index']);
            sort($counted);
            $add(
                '(publish_at) include ('.implode(', ', $counted).')',
                'as visitors’ filters count them',
                ' and fits_index',
            );
        }
        foreach ($module->where?->conditions() ?? [] as $condition) {
            $column = $condition->off ? null : self::column($condition);
            if ($column !== null) {
                $add("({$column})", "by {$condition->field->label}");
                $sql = "(mcv) on type_key, {$column} from items";
                $indexes[self::STATISTICS.substr(hash('sha256', $sql), 0, 12)] = [
                    'kind' => 'statistics',
                    'sql' => $sql,
                    'what' => "how often each {$condition->field->label} comes",
                ];
            }
        }

        return $indexes;
    }

    /**
     * The first columns of the order, at most three texts, so that an entry stays within 2,704 bytes. PostgreSQL sorts
     * by the others within each group.
     *
     * @param  non-empty-list<OrderBy>  $orders
     * @return non-empty-list<OrderBy>
     */
    private static function thatFit(array $orders): array
    {
        $fit = [];
        $texts = 0;
        foreach ($orders as $by) {
            $texts += $by->type === 'text' ? 1 : 0;
            if ($texts > self::TEXTS) {
                break;
            }
            $fit[] = $by;
        }

        return $fit === [] ? $orders : $fit;
    }

    /** @param  list<SortKey>  $order  true if the order depends only on the items themselves, not on the time */
    private function sorts(array $order): bool
    {
        foreach ($order as $key) {
            if (! $key->by->usesIndex()) {
                return false;
            }
        }

        return true;
    }

    /** The expression in a condition's query; null if an index of this kind would not help. */
    private static function column(Condition $condition): ?string
    {
        $field = $condition->field;
        if (
            $field->through !== null
            || $field->origin !== Origin::Type
            || ! $condition->test->usesIndex()
        ) {
            return null;
        }
        $expression = match ($field->family()) {
            Family::Number => FieldSql::number($field),
            Family::Choice, Family::YesNo => FieldSql::raw($field),
            Family::Date, Family::Instant => '('.FieldSql::moment($field).')',
            Family::Text => FieldSql::beginning($field),
            default => null,
        };

        return $expression === null ? null : str_replace('items.', '', "({$expression})");
    }

    /** An expression with its bindings inlined. Bindings of orders are keys and counts of choices. */
    private static function literal(Fragment $fragment): string
    {
        $parts = explode('?', $fragment->sql);
        $sql = array_shift($parts);
        foreach ($parts as $i => $part) {
            $value = $fragment->bindings[$i] ?? null;
            $sql .= (is_int($value) ? (string) $value : DB::connection()->getPdo()->quote((string) $value)).$part;
        }

        return $sql;
    }
}
