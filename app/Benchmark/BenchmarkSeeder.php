<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Catalogue\CatalogueStore;
use App\Content\Types\TypeWriter;
use App\Database\PostgresArray;
use App\Media\MediaStore;
use App\Models\Item;
use App\Models\Media;
use App\Models\Taxonomy;
use App\Models\Term;
use App\Modules\ModuleStore;
use App\Pages\PageStore;
use App\Pages\SiteDefinitionStore;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Frame\FrameReader;

/**
 * A database for the benchmark, which PostgreSQL fills with invented items: a fifth are products, the others posts.
 */
final readonly class BenchmarkSeeder
{
    private const CHUNK = 50_000;

    public function __construct(
        private TypeWriter $types,
        private CatalogueStore $catalogue,
        private ModuleStore $modules,
        private PageStore $pages,
        private SiteDefinitionStore $frames,
        private MediaStore $media,
    ) {
    }

    /** @param  \Closure(int): void  $progress receives the number of items */
    public function fill(int $items, \Closure $progress): void
    {
        if (! Taxonomy::query()->where('key', 'groups')->exists()) {
            Taxonomy::query()->create(['key' => 'groups', 'label' => 'Plant groups', 'tree' => true]);
            $top = Term::query()->create(['taxonomy_key' => 'groups', 'slug' => 'perennials', 'name' => 'Perennials']);
            for ($n = 1; $n <= 19; $n++) {
                Term::query()->create([
                    'taxonomy_key' => 'groups',
                    'slug' => "group-{$n}",
                    'name' => "Group {$n}",
                    'parent_id' => $n < 8 ? $top->id : null,
                ]);
            }
            $this->catalogue->forget();
        }
        foreach (array_diff(['product', 'post'], array_keys($this->catalogue->catalogue()->types)) as $type) {
            $this->types->apply(
                json_decode(
                    (string) file_get_contents(database_path("demo/types/{$type}.json")),
                    true,
                    16,
                    JSON_THROW_ON_ERROR,
                ),
            );
        }
        $terms = Term::query()->orderBy('id')->pluck('id')->all();
        for ($from = Item::query()->count() + 1; $from <= $items; $from += self::CHUNK) {
            $to = min($items, $from + self::CHUNK - 1);
            DB::statement(<<<'SQL'
                with made as (
                    insert into items (type_key, slug, title, status, publish_at, fields, folded, words, created_at,
                        updated_at)
                    select case when n % 5 = 0 then 'product' else 'post' end, 'plant-' || n, 'Plant ' || (n * 7919 %
                        100003), 'published', now() - n * interval '1 minute',
                        jsonb_strip_nulls(jsonb_build_object(
                            'price', case when n % 11 = 0 then null else (n * 31 % 4000) / 100.0 end,
                            'height', n * 17 % 400 + 1,
                            'stock', n * 13 % 50,
                            'light', (array['sun', 'half-shade', 'shade'])[n * 7 % 3 + 1])),
                        jsonb_build_object('title', 'plant ' || (n * 7919 % 100003)),
                        jsonb_build_object('A', jsonb_build_object('title', 'plant ' || (n * 7919 % 100003)), 'D',
                            jsonb_build_object('text', (array['frost', 'mulch', 'bloom', 'hedge', 'moss', 'seed',
                                'stem'])[n * 3 % 7 + 1] || ' ' || (array['early', 'late', 'tall', 'low', 'scented',
                                    'evergreen', 'golden', 'hardy', 'climbing', 'dwarf', 'spotted'])[n * 5 % 11 + 1])),
                        now(), now()
                    from generate_series(?::bigint, ?::bigint) as n
                    returning id
                )
                insert into item_term (term_id, item_id)
                select distinct (?::bigint[])[(made.id / 5 * step + made.id % 5) % 20 + 1], made.id from made,
                    unnest(array[1, 3, 7]) as step
                SQL, [$from, $to, PostgresArray::literal($terms)]);
            $progress($to);
        }
        DB::statement('vacuum analyze items');
        DB::statement('vacuum analyze item_term');
    }

    /**
     * Adds pages without visitors to the site, each with three of the modules. PostgreSQL makes them.
     *
     * @param  int  $pages  total number of these pages afterwards
     * @param  int  $modules  total number of these modules afterwards
     */
    public function fillPages(int $pages, int $modules): void
    {
        DB::statement(<<<'SQL'
            insert into modules (key, draft, live, published_at, created_at, updated_at)
            select made ->> 'key', made, made, now(), now(), now() from (
                select (live::jsonb || jsonb_build_object('key', 'many-' || n, 'name', 'Many ' || n))::json as made
                from modules, generate_series(1, ?) as n where key = 'bench-newest'
            ) as all_made on conflict do nothing
            SQL, [$modules]);
        DB::statement(<<<'SQL'
            insert into pages (key, draft, live, published_at, position, created_at, updated_at)
            select made ->> 'key', made, made, now(), 1000 + n, now(), now() from (
                select n, jsonb_build_object('format', 1, 'key', 'many-' || n,
                    'address', '/many-' || n % 100 || '/' || n, 'title', 'Page ' || n,
                    'bands', jsonb_build_array(jsonb_build_object('key', 'body', 'slots',
                        jsonb_build_array(jsonb_build_object('share', 12, 'blocks', jsonb_build_array(
                            jsonb_build_object('module', 'many-' || n % ? + 1),
                            jsonb_build_object('module', 'many-' || n * 7 % ? + 1),
                            jsonb_build_object('module', 'many-' || n * 31 % ? + 1)
                        )))))) as made
                from generate_series(1, ?) as n
            ) as all_made on conflict do nothing
            SQL, [$modules, $modules, $modules, $pages]);
        DB::statement('delete from pages where key ~ ? and position > ?', ['^many-[0-9]+$', 1000 + $pages]);
        DB::statement('vacuum analyze pages');
    }

    /** The address of a picture of 800 × 600 px on an item. */
    public function picture(): string
    {
        $media = Media::query()->first();
        if ($media === null) {
            ob_start();
            imagepng(imagecreatetruecolor(800, 600) ?: throw new \RuntimeException('There is no picture.'));
            $media = $this->media->add((string) ob_get_clean(), 'bench.png');
            DB::update("update items set fields = fields || jsonb_build_object('picture', ?::text) where id = (select "
                ."min(id) from items where type_key = 'product')", [$media->name]);
        }

        return $media->url();
    }

    /** @return array<string, Module> the modules that are measured, each live on a page of its own */
    public function modules(): array
    {
        $card = [
            'card' => [
                'lines' => [
                    ['parts' => [['part' => 'title']]],
                    ['parts' => [['part' => 'price'], ['part' => 'field', 'field' => 'height']]],
                ],
            ],
        ];
        $where = ['where' => ['all' => [
            ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade', 'half-shade']],
            ['field' => 'price', 'test' => 'gt', 'value' => 5],
            ['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true],
        ]]];
        $modules = [];
        foreach ([
            'newest' => [],
            'cheapest' => ['order' => [['by' => 'price'], ['by' => 'title']]],
            'filtered' => $where + ['order' => [['by' => 'price'], ['by' => 'title']]],
            'search' => [
                'where' => ['all' => [['field' => 'words', 'test' => 'search', 'value' => 'frost gold*']]],
                'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'title']],
            ],
            'titled' => [
                'where' => [
                    'all' => [[
                        'field' => 'words',
                        'test' => 'search',
                        'value' => 'plant 47*',
                        'in' => ['title' => 2, 'groups' => 1],
                    ]],
                ],
                'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'title']],
            ],
            'choices' => [
                'order' => [['by' => 'price'], ['by' => 'title']],
                'offer' => ['key' => 'choices', 'filters' => [
                    ['field' => 'groups', 'as' => 'tree'],
                    ['field' => 'light', 'as' => 'checks'],
                    ['field' => 'price', 'as' => 'range'],
                    ['field' => 'height', 'as' => 'range'],
                    ['field' => 'stock', 'as' => 'only', 'rule' => ['field' => 'stock', 'test' => 'gt', 'value' => 0]],
                ]],
            ],
            'shortlist' => $where + [
                'order' => [['by' => 'price'], ['by' => 'title']],
                'page' => ['mode' => 'fixed', 'size' => 24],
            ],
        ] as $key => $rules) {
            $modules[$key] = $this->modules->read(
                $rules + $card + [
                    'format' => 1,
                    'key' => "bench-{$key}",
                    'name' => "Bench {$key}",
                    'source' => ['items' => ['product']],
                    'page' => ['mode' => 'numbered', 'size' => 24],
                ],
            );
            $row = $this->modules->publish($this->modules->apply($modules[$key]));
            $this->pages->publish($this->pages->apply($this->pages->read([
                'format' => 1, 'key' => $row->key, 'address' => "/{$row->key}", 'title' => "Bench {$key}",
                'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [['module' => $row->key]]]]]],
            ])));
        }
        $this->pages->publish($this->pages->apply($this->pages->read([
            'format' => 1, 'key' => 'bench-three', 'address' => '/bench-three', 'title' => 'Bench three',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
                ['module' => 'bench-newest'], ['module' => 'bench-cheapest'], ['module' => 'bench-shortlist'],
            ]]]]],
        ])));
        $this->frames->publish($this->frames->apply(FrameReader::read([
            'format' => 1, 'slots' => [
                'header' => [
                    ['block' => 'menu', 'menu' => 'main'], ['block' => 'searchBox'], ['block' => 'accountLinks'],
                ],
                'footer' => [
                    ['block' => 'heading', 'text' => 'Come by'], ['block' => 'text', 'html' => '<p>Open</p>'],
                    ['block' => 'space'],
                ],
            ],
        ])));

        return $modules;
    }
}
