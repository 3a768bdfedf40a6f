<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Listing\Sources;
use App\Models\Item;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\Artisan;
use PDO;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Who\Viewer;

/**
 * Three open tables, brought in through the commands and asked the same questions as SQLite asks of the originals.
 *
 * Source: the npm package vega-datasets, files data/cars.json and data/movies.json.
 */
final class OpenDataTest extends TestCase
{
    private const CARS = [
        'title' => 'Name',
        'mpg' => 'Miles_per_Gallon',
        'cylinders' => 'Cylinders',
        'horsepower' => 'Horsepower',
        'weight' => 'Weight_in_lbs',
        'made' => 'Year',
        'origin' => 'Origin',
    ];

    private const MOVIES = [
        'title' => 'Title',
        'gross' => 'Worldwide Gross',
        'budget' => 'Production Budget',
        'rating' => 'IMDB Rating',
        'votes' => 'IMDB Votes',
        'minutes' => 'Running Time min',
        'genre' => 'Major Genre',
        'distributor' => 'Distributor',
        'director' => 'Director',
    ];

    public function test_listings_over_open_tables_agree_with_sqlite(): void
    {
        $lite = new PDO('sqlite::memory:', options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $cars = $this->table('cars', self::CARS);
        $movies = $this->table('movies', self::MOVIES);
        $this->copy($lite, 'car', $cars);
        $this->copy($lite, 'movie', array_filter($movies, fn (array $row): bool => $row['title'] !== null));

        $this->defineType(
            'car',
            [
                'mpg' => 'number',
                'cylinders' => 'number',
                'horsepower' => 'number',
                'weight' => 'number',
                'made' => 'date',
                'origin' => ['Europe', 'Japan', 'USA'],
            ],
        );
        $this->defineType(
            'movie',
            [
                'gross' => 'money',
                'budget' => 'money',
                'rating' => 'number',
                'votes' => 'number',
                'minutes' => 'number',
                'genre' => 'text',
                'distributor' => 'text',
                'director' => 'text',
            ],
        );
        $this->assertSame(
            0,
            Artisan::call(
                'wellspring:items:import',
                ['file' => $this->file('csv', $this->csv($cars)), '--type' => 'car'],
            ),
            Artisan::output(),
        );
        $json = $this->file('json', json_encode($movies, JSON_THROW_ON_ERROR));
        $this->assertSame(1, Artisan::call('wellspring:items:import', ['file' => $json, '--type' => 'movie']));
        $this->assertSame(
            0,
            Item::query()->where('type_key', 'movie')->count(),
            'one movie of the table has no title: nothing is written',
        );
        $this->assertSame(
            0,
            Artisan::call('wellspring:items:import', ['file' => $json, '--type' => 'movie', '--skip-bad' => true]),
        );
        $this->assertSame(
            [406, 3200],
            [Item::query()->where('type_key', 'car')->count(), Item::query()->where('type_key', 'movie')->count()],
        );

        foreach ($this->questions() as $n => [$type, $where, $sqlWhere, $order, $sqlOrder]) {
            $definition = [
                'format' => 1,
                'key' => "question-{$n}",
                'name' => "Question {$n}",
                'source' => ['items' => [$type]],
                'where' => $where,
                'order' => $order,
                'page' => ['mode' => 'numbered', 'size' => 25],
            ];
            $this->assertSame(
                0,
                Artisan::call(
                    'wellspring:modules:apply',
                    ['file' => $this->file('json', json_encode($definition, JSON_THROW_ON_ERROR)), '--publish' => true],
                ),
                Artisan::output(),
            );
            $expected = $this->column($lite, "select title from {$type} where {$sqlWhere} order by {$sqlOrder}, rowid");
            $this->assertNotSame([], $expected, "question {$n} asks for something");

            $first = $this->ask("question-{$n}", 1);
            $this->assertSame(count($expected), $first['total'], "question {$n}: {$sqlWhere}");
            $this->assertSame(
                array_slice($expected, 0, 25),
                array_column($first['items'], 'title'),
                "question {$n}, first page: {$sqlOrder}",
            );
            $last = $this->ask("question-{$n}", $first['pages']);
            $this->assertSame(
                array_slice($expected, ($first['pages'] - 1) * 25),
                array_column($last['items'], 'title'),
                "question {$n}, last page: {$sqlOrder}",
            );
        }
    }

    /** Counts beside five filters of the table of cars, in 40 drawn combinations, asked of SQLite one by one. */
    public function test_counts_beside_filters_agree_with_sqlite(): void
    {
        $lite = new PDO('sqlite::memory:', options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $cars = $this->table('cars', self::CARS);
        $this->copy($lite, 'car', $cars);
        $this->defineType('car', [
            'mpg' => 'number', 'cylinders' => 'number', 'horsepower' => 'number', 'weight' => 'number',
            'made' => 'date', 'origin' => ['Europe', 'Japan', 'USA'],
        ]);
        $file = $this->file('csv', $this->csv($cars));
        $this->assertSame(0, Artisan::call('wellspring:items:import', ['file' => $file, '--type' => 'car']));
        $definition = [
            'format' => 1, 'key' => 'cars', 'name' => 'Cars', 'source' => ['items' => ['car']],
            'offer' => ['filters' => [
                ['field' => 'origin', 'as' => 'checks'],
                ['field' => 'mpg', 'as' => 'range'],
                ['field' => 'weight', 'as' => 'range'],
                ['field' => 'made', 'as' => 'dates'],
                ['field' => 'horsepower', 'as' => 'only', 'name' => 'strong', 'rule' => [
                    'field' => 'horsepower', 'test' => 'gt', 'value' => 100,
                ]],
            ]],
        ];
        $file = $this->file('json', json_encode($definition, JSON_THROW_ON_ERROR));
        $this->assertSame(0, Artisan::call('wellspring:modules:apply', ['file' => $file, '--publish' => true]));
        $drawn = new Randomizer(new Mt19937((int) (getenv('WELLSPRING_SEED') ?: 13)));
        $one = fn (array $all): mixed => $all[$drawn->getInt(0, count($all) - 1)];
        for ($n = 0; $n < 40; $n++) {
            // By filter: the parameter's value, and what SQLite is asked.
            $chosen = array_filter([
                'origin' => $one([
                    null, ['Japan', "origin = 'Japan'"], ['Europe,USA', "origin in ('Europe', 'USA')"],
                ]),
                'mpg' => $one([null, ['20..30', 'mpg between 20 and 30'], ['..17.5', 'mpg <= 17.5']]),
                'weight' => $one([null, ['3000..', 'weight >= 3000'], ['2000..2600', 'weight between 2000 and 2600']]),
                'made' => $one([null, ['1975-01-01..1979-12-31', "made between '1975-01-01' and '1979-12-31'"]]),
                'strong' => $one([null, ['yes', 'horsepower > 100']]),
            ]);
            $said = http_build_query(array_map(fn (array $choice): string => (string) $choice[0], $chosen));
            $where = fn (string $but): string => implode(' and ', ['1', ...array_column(
                array_diff_key($chosen, [$but => 0]),
                1,
            )]);
            $run = $this->ask('cars', 1, $said);
            $this->assertSame(
                (int) $this->column($lite, "select count(*) from car where {$where('')}")[0],
                $run['total'],
                $said,
            );
            $this->assertCount(count($chosen), $run['choices'], $said);
            [$origin, $mpg, $weight, $made, $strong] = $run['offers'];
            $this->assertSame(
                array_map(
                    fn (string $value): int => (int) $this->column(
                        $lite,
                        "select count(*) from car where origin = '{$value}' and {$where('origin')}",
                    )[0],
                    ['Europe', 'Japan', 'USA'],
                ),
                array_column($origin['options'], 'count'),
                $said,
            );
            $this->assertSame(
                (int) $this->column($lite, "select count(*) from car where horsepower > 100 and {$where('strong')}")[0],
                $strong['options'][0]['count'],
                $said,
            );
            foreach (['mpg' => $mpg, 'weight' => $weight, 'made' => $made] as $field => $range) {
                $ends = $this->column($lite, "select min({$field}) from car where {$where($field)}
                    union all select max({$field}) from car where {$where($field)}
                    union all select count({$field}) from car where {$where($field)}");
                $this->assertEquals([$ends[0], $ends[1]], [$range['least'], $range['greatest']], "{$field}: {$said}");
                $this->assertEquals($ends[2], array_sum(array_column($range['bars'], 2)), "{$field}: {$said}");
                foreach (array_slice($range['bars'], 0, -1) as [$from, $to, $records]) {
                    $end = $field === 'made' ? '<=' : '<';
                    [$from, $to] = $field === 'made' ? ["'{$from}'", "'{$to}'"] : [$from, $to];
                    $within = "{$field} >= {$from} and {$field} {$end} {$to} and {$where($field)}";
                    $this->assertEquals(
                        $this->column($lite, "select count(*) from car where {$within}")[0],
                        $records,
                        "{$field} from {$from}: {$said}",
                    );
                }
            }
        }
    }

    /**
     * Four years of weather by day: dates, and SQLite's own reckoning of days, weeks, months and years.
     *
     * Source: the npm package vega-datasets, file data/seattle-weather.csv.
     */
    public function test_questions_about_days_agree_with_sqlite(): void
    {
        $lite = new PDO('sqlite::memory:', options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $lines = array_map(
            fn (string $line): array => str_getcsv($line, escape: ''),
            file(base_path('node_modules/vega-datasets/data/seattle-weather.csv'), FILE_IGNORE_NEW_LINES) ?: [],
        );
        $rows = array_map(
            fn (array $row): array => [
                'title' => (string) $row[0],
                'publish_at' => '2000-01-01',
                'day' => (string) $row[0],
                'rain' => (float) $row[1],
                'warmest' => (float) $row[2],
                'coldest' => (float) $row[3],
                'wind' => (float) $row[4],
                'sky' => (string) $row[5],
                'read' => "{$row[0]}T17:30:00Z",
            ],
            array_slice($lines, 1),
        );
        $this->assertCount(1461, $rows);
        $this->copy($lite, 'weather', $rows);
        $this->defineType(
            'weather',
            [
                'day' => 'date',
                'rain' => 'number',
                'warmest' => 'number',
                'coldest' => 'number',
                'wind' => 'number',
                'sky' => ['drizzle', 'rain', 'sun', 'snow', 'fog'],
                'read' => 'instant',
            ],
        );
        $this->assertSame(
            0,
            Artisan::call(
                'wellspring:items:import',
                ['file' => $this->file('csv', $this->csv($rows)), '--type' => 'weather'],
            ),
            Artisan::output(),
        );

        $is = fn (
            string $field,
            string $test,
            mixed $value = null,
        ): array => ['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value]);
        $near = fn (
            string $test,
            int $amount,
            string $unit,
            string $field = 'day',
        ): array => $is($field, $test, ['amount' => $amount, 'unit' => $unit]);
        $on = '2014-03-30T12:00:00Z';
        foreach ([
            [$is('day', 'on', '2013-02-28'), "day = '2013-02-28'"],
            [$is('day', 'on', '2012-02'), "strftime('%Y-%m', day) = '2012-02'"],
            [$is('day', 'on', '2015'), "strftime('%Y', day) = '2015'"],
            [$is('day', 'before', '2012-01-10'), "day < '2012-01-10'"],
            [$is('day', 'before', '2012-03'), "day < '2012-03-01'"],
            [$is('day', 'after', '2015-12-24'), "day > '2015-12-24'"],
            [$is('day', 'after', '2015-11'), "day >= '2015-12-01'"],
            [$is('day', 'between', ['2012-02-27', '2012-03-01']), "day between '2012-02-27' and '2012-03-01'"],
            [$is('day', 'between', ['2013-06', '2013-08']), "day between '2013-06-01' and '2013-08-31'"],
            [$near('inNext', 7, 'days'), "day between '2014-03-30' and date('2014-03-30', '+7 days')"],
            [$near('inLast', 30, 'days'), "day between date('2014-03-30', '-30 days') and '2014-03-30'"],
            [$near('inNext', 2, 'weeks'), "day between '2014-03-30' and date('2014-03-30', '+14 days')"],
            [$near('inNext', 3, 'months'), "day between '2014-03-30' and date('2014-03-30', '+3 months')"],
            [$near('inLast', 2, 'years'), "day between date('2014-03-30', '-2 years') and '2014-03-30'"],
            [$is('day', 'current', 'day'), "day = '2014-03-30'"],
            [$is('day', 'previous', 'day'), "day = date('2014-03-30', '-1 day')"],
            [$is('day', 'following', 'day'), "day = date('2014-03-30', '+1 day')"],
            [
                $is('day', 'current', 'week'),
                "day between date('2014-03-30', '-6 days', 'weekday 1') and date('2014-03-30', 'weekday 0')",
            ],
            [
                $is('day', 'previous', 'week'),
                "day between date('2014-03-30', '-13 days', 'weekday 1') and date('2014-03-30', '-7 days', 'weekday "
                    ."0')",
            ],
            [
                $is('day', 'current', 'month'),
                "day >= date('2014-03-30', 'start of month') and day < date('2014-03-30', 'start of month', '+1 "
                    ."month')",
            ],
            [
                $is('day', 'following', 'month'),
                "day >= date('2014-03-30', 'start of month', '+1 month') and day < date('2014-03-30', 'start of "
                    ."month', '+2 months')",
            ],
            [$is('day', 'previous', 'year'), "strftime('%Y', day) = '2013'"],
            [$is('day', 'past'), "day < '2014-03-30'"],
            [$is('day', 'toCome'), "day >= '2014-03-30'"],
            [$is('read', 'past'), "read < '2014-03-30T12:00:00Z'"],
            [
                $near('inNext', 30, 'hours', 'read'),
                "unixepoch(read) between unixepoch('2014-03-30T12:00:00Z') and unixepoch('2014-03-30T12:00:00Z', '+30 "
                    ."hours')",
            ],
            [
                $near('inLast', 90, 'minutes', 'read'),
                "unixepoch(read) between unixepoch('2014-03-30T12:00:00Z', '-90 minutes') and "
                    ."unixepoch('2014-03-30T12:00:00Z')",
            ],
            [$is('read', 'after', '2015-12-30T17:30:00Z'), "read > '2015-12-30T17:30:00Z'"],
            [
                ['all' => [$is('sky', 'anyOf', ['snow', 'fog']), $is('wind', 'gte', 4), $is('day', 'on', '2012')]],
                "sky in ('snow', 'fog') and wind >= 4 and day like '2012-%'",
            ],
            [
                ['none' => [$is('rain', 'eq', 0), $is('day', 'before', '2015-10')]],
                "not (rain = 0 or day < '2015-10-01')",
            ],
        ] as $n => [$where, $sql]) {
            $nobody = str_contains($sql, '-90 minutes');
            $expected = $this->column($lite, "select title from weather where {$sql} order by warmest desc, title");
            $this->assertSame($nobody, $expected === [], "question {$n} asks for something");
            $this->assertSame(
                $expected,
                $this->titles(
                    [
                        'where' => isset($where['field']) ? ['all' => [$where]] : $where,
                        'order' => [['by' => 'warmest', 'direction' => 'down'], ['by' => 'title']],
                    ],
                    $on,
                ),
                "question {$n}: {$sql}",
            );
        }
        foreach (['months' => '%Y-%m', 'years' => '%Y'] as $stretch => $format) {
            $module = app(ModuleStore::class)->read([
                'format' => 1,
                'key' => 'archive',
                'name' => 'Archive',
                'source' => [$stretch => ['weather'], 'by' => 'day'],
                'order' => [['by' => 'count', 'direction' => 'down'], ['by' => 'begins']],
                'page' => ['size' => 200],
            ]);
            $context = app(ContextFactory::class)->at(new \DateTimeImmutable($on), Viewer::signedOut());
            $records = app(Sources::class)->records(
                $module->source,
                app(Listing::class)->run($module, $context)->keys,
                [],
                $context,
            );
            $this->assertSame(
                $this->column(
                    $lite,
                    "select strftime('{$format}', day) || ' ' || count(*) from weather group by "
                        ."strftime('{$format}', day) order by count(*) desc, strftime('{$format}', day)",
                ),
                array_map(
                    fn (Record $record): string => $record->slug.' '.json_encode(
                        $record->value($module->type()->fields['count']),
                    ),
                    $records,
                ),
            );
        }
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return list<string>
     */
    private function titles(array $rules, string $on): array
    {
        $module = app(ModuleStore::class)->read(
            $rules + ['format' => 1, 'key' => 'weather', 'name' => 'Weather', 'source' => ['items' => ['weather']]],
        );
        $context = app(ContextFactory::class)->at(new \DateTimeImmutable($on), Viewer::signedOut());

        return array_map(
            fn (Record $record): string => $record->title,
            app(Sources::class)->records(
                $module->source,
                app(Listing::class)->some($module, $context, 0, 2000),
                [],
                $context,
            ),
        );
    }

    /** @return list<array{string, array<string, mixed>, string, list<array<string, string>>, string}> */
    private function questions(): array
    {
        $is = fn (
            string $field,
            string $test,
            mixed $value = null,
        ): array => ['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value]);
        $up = fn (string $by, string $empty = 'last'): array => ['by' => $by, 'empty' => $empty];
        $down = fn (string $by): array => ['by' => $by, 'direction' => 'down'];

        return [
            ['car', ['all' => []], '1', [$up('weight')], 'weight'],
            [
                'car',
                ['all' => [$is('horsepower', 'gt', 150)]],
                'horsepower > 150',
                [$down('horsepower'), $up('mpg')],
                'horsepower desc, mpg asc nulls last',
            ],
            [
                'car',
                ['all' => [$is('mpg', 'between', [20, 30.5]), $is('cylinders', 'ne', 4)]],
                'mpg between 20 and 30.5 and (cylinders <> 4 or cylinders is null)',
                [$up('mpg')],
                'mpg',
            ],
            [
                'car',
                ['all' => [$is('origin', 'anyOf', ['Japan', 'Europe']), $is('made', 'filled')]],
                "origin in ('Japan', 'Europe')",
                [$up('origin'), $down('made')],
                "case origin when 'Europe' then 1 else 2 end, made desc",
            ],
            [
                'car',
                ['any' => [$is('mpg', 'empty'), $is('title', 'contains', 'Toyota')]],
                "mpg is null or title like '%toyota%'",
                [$up('mpg', 'first')],
                'mpg asc nulls first',
            ],
            [
                'car',
                ['none' => [$is('origin', 'anyOf', ['USA']), $is('weight', 'lt', 2000)]],
                "not (origin = 'USA' or weight < 2000)",
                [$up('horsepower')],
                'horsepower asc nulls last',
            ],
            [
                'movie',
                ['all' => [$is('rating', 'gte', 8), $is('votes', 'gt', 50000)]],
                'rating >= 8 and votes > 50000',
                [$down('rating'), $down('votes')],
                'rating desc, votes desc',
            ],
            [
                'movie',
                ['all' => [$is('genre', 'is', 'DRAMA'), $is('budget', 'lte', 1000000)]],
                "genre = 'Drama' and budget <= 1000000",
                [$down('gross')],
                'gross desc nulls last',
            ],
            [
                'movie',
                ['all' => [$is('director', 'isNot', 'Woody Allen'), $is('minutes', 'filled')]],
                "(director <> 'Woody Allen' or director is null) and minutes is not null",
                [$up('minutes'), $down('gross')],
                'minutes, gross desc nulls last',
            ],
            [
                'movie',
                ['all' => [$is('title', 'begins', 'the '), $is('distributor', 'lacks', 'Universal')]],
                "title like 'the %' and (distributor not like '%universal%' or distributor is null)",
                [$down('budget')],
                'budget desc nulls last',
            ],
            [
                'movie',
                [
                    'all' => [
                        ['any' => [$is('genre', 'empty'), ['all' => [$is('rating', 'empty'), $is('gross', 'gt', 0)]]]],
                        $is('title', 'ends', 's'),
                    ],
                ],
                "(genre is null or (rating is null and gross > 0)) and title like '%s'",
                [$up('votes')],
                'votes asc nulls last',
            ],
            ['movie', ['all' => [$is('gross', 'eq', 0)]], 'gross = 0', [$down('rating')], 'rating desc nulls last'],
        ];
    }

    /**
     * @param  array<string, string>  $columns
     * @return list<array<string, scalar|null>> the table's rows under our columns' names
     */
    private function table(string $name, array $columns): array
    {
        $rows = json_decode(
            (string) file_get_contents(base_path("node_modules/vega-datasets/data/{$name}.json")),
            true,
            8,
            JSON_THROW_ON_ERROR,
        );
        $table = [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            $table[] = array_map(fn (string $column): mixed => $row[$column] ?? null, $columns);
        }

        return array_map(
            fn (array $row): array => ['title' => $row['title'] === null ? null : trim((string) $row['title'])] + $row,
            $table,
        );
    }

    /** @param  array<int, array<string, scalar|null>>  $rows */
    private function copy(PDO $lite, string $table, array $rows): void
    {
        $columns = array_keys(reset($rows) ?: []);
        $lite->exec("create table {$table} (".implode(', ', $columns).')');
        $insert = $lite->prepare(
            "insert into {$table} values (".implode(', ', array_fill(0, count($columns), '?')).')',
        );
        foreach ($rows as $row) {
            foreach (array_values($row) as $i => $value) {
                $insert->bindValue(
                    $i + 1,
                    $value,
                    is_int($value) ? PDO::PARAM_INT : ($value === null ? PDO::PARAM_NULL : PDO::PARAM_STR),
                );
            }
            $insert->execute();
        }
        foreach (array_diff(
            $columns,
            ['title', 'publish_at', 'made', 'origin', 'genre', 'distributor', 'director', 'day', 'sky', 'read'],
        ) as $number) {
            $lite->exec("update {$table} set {$number} = cast({$number} as real) where {$number} is not null");
        }
    }

    /** @param  array<string, string|list<string>>  $fields */
    private function defineType(string $key, array $fields): void
    {
        $properties = array_map(
            fn (string|array $kind): array => is_array($kind)
                ? ['enum' => $kind, 'x-wellspring' => ['kind' => 'choice']]
                : ['x-wellspring' => ['kind' => $kind]],
            $fields,
        );
        $file = [
            '$schema' => TypeFile::DRAFT,
            'title' => ucfirst($key),
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => $key, 'plural' => ucfirst($key).'s'],
            'properties' => $properties,
        ];
        $this->assertSame(
            0,
            Artisan::call(
                'wellspring:types:apply',
                ['file' => $this->file('json', json_encode($file, JSON_THROW_ON_ERROR))],
            ),
            Artisan::output(),
        );
        $this->assertNotNull(app(CatalogueStore::class)->catalogue()->type($key));
    }

    /** @param  list<array<string, scalar|null>>  $rows */
    private function csv(array $rows): string
    {
        $file = fopen('php://memory', 'r+b') ?: throw new \RuntimeException('No memory.');
        fputcsv($file, array_keys($rows[0] ?? []), escape: '', eol: "\r\n");
        foreach ($rows as $row) {
            fputcsv($file, $row, escape: '', eol: "\r\n");
        }
        rewind($file);

        return (string) stream_get_contents($file);
    }

    /** @return list<string> */
    private function column(PDO $lite, string $sql): array
    {
        return array_values(
            array_map(
                strval(...),
                ($lite->query($sql) ?: throw new \RuntimeException($sql))->fetchAll(PDO::FETCH_COLUMN),
            ),
        );
    }

    /**
     * @return array{
     *     total: int, pages: int, items: list<array{title: string}>, choices: array<string, string>,
     *     offers: list<array{
     *         options: list<array{count: int}>, least: float|string, greatest: float|string,
     *         bars: list<array{float|string, float|string, int}>,
     *     }>,
     * }
     */
    private function ask(string $key, int $page, string $choose = ''): array
    {
        $this->assertSame(0, Artisan::call('wellspring:run', [
            'key' => $key, '--page' => (string) $page, '--json' => true, '--choose' => $choose,
        ]));

        return json_decode(Artisan::output(), true, 16, JSON_THROW_ON_ERROR);
    }
}
