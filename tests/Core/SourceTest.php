<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Explain\SourceChange;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Source\Pages;
use Wellspring\Core\Source\TermType;
use Wellspring\Core\Text\AnyLanguage;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Wording\Format;

/** What a module can draw from, on a garden small enough to see through, and where a search looks. */
final class SourceTest extends TestCase
{
    /**
     * @return list<Record> four plants, of which a visitor may see three, a tool, the terms of two taxonomies, and
     *   three people
     */
    private static function garden(): array
    {
        $thing = fn (
            int $id,
            string $type,
            string $slug,
            string $title,
            array $values,
            Status $status = Status::Published,
        ): Record => new Record(
            $id,
            $type,
            $slug,
            $title,
            $status,
            '2026-0'.($id % 9 + 1).'-15T12:00:00Z',
            null,
            Audience::everyone(),
            $values,
        );
        $named = fn (
            int $id,
            string $type,
            string $slug,
            string $title,
            array $values,
            Status $status = Status::Published,
        ): Record => new Record(
            $id,
            $type,
            $slug,
            $title,
            $status,
            '0001-01-01T00:00:00Z',
            null,
            Audience::everyone(),
            $values,
        );
        $records = [
            $thing(
                1,
                'plant',
                'lady-fern',
                'Lady fern',
                ['groups' => ['ferns'], 'author' => 'ada@example.org', 'sown' => '2025-12-31'],
            ),
            $thing(
                2,
                'plant',
                'hosta',
                'Hosta',
                ['groups' => ['hostas', 'ferns'], 'author' => 'ada@example.org', 'sown' => '2026-01-01'],
            ),
            $thing(3, 'plant', 'box', 'Box', ['groups' => ['shrubs'], 'author' => 'bo@example.org']),
            $thing(
                4,
                'plant',
                'hidden',
                'Hidden',
                ['groups' => ['shrubs'], 'author' => 'bo@example.org', 'sown' => '2026-01-01'],
                Status::Draft,
            ),
            $thing(5, 'tool', 'spade', 'Spade', ['groups' => ['shrubs']]),
        ];
        foreach (Garden::taxonomies() as $taxonomy) {
            foreach ($taxonomy->terms->asTree() as $place => ['term' => $term]) {
                $records[] = $named(
                    100 * strlen($taxonomy->key) + $place,
                    TermType::key($taxonomy->key),
                    $term->slug,
                    $term->name,
                    ['place' => $place + 1],
                );
            }
        }

        return [
            ...$records,
            $named(21, 'people', 'ada', 'Ada', ['email' => 'ada@example.org', 'groups' => ['gardeners', 'journal']]),
            $named(22, 'people', 'bo', 'Bo', ['email' => 'bo@example.org', 'groups' => ['journal']]),
            $named(
                23,
                'people',
                'gone',
                'Gone',
                ['email' => 'gone@example.org', 'groups' => ['journal']],
                Status::Draft,
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $source
     * @param  list<string>  $slugs  in order
     */
    #[DataProvider('sources')]
    public function test_what_each_source_holds_how_it_is_ordered_and_how_it_reads(
        array $source,
        array $slugs,
        string $reads,
        PageSubject $page = new PageSubject,
    ): void {
        $module = (new ModuleReader(Garden::catalogue()))->read([
            'format' => 1,
            'key' => 'drawn',
            'name' => 'Drawn',
            'source' => $source,
            'card' => ['lines' => [['parts' => [['part' => 'title']]]]],
        ]);
        $context = Garden::context('2026-12-01T12:00:00Z', page: $page);
        $all = self::garden();
        $result = (new ReferenceRun(new Comparator('en-GB'), Garden::format()))->run($module, $all, $context);
        $found = array_column(
            array_map(
                fn (Record $record): array => [$record->id, $record->slug],
                $module->source->records($all, $context),
            ),
            1,
            0,
        );
        $this->assertSame($slugs, array_map(fn (int $id): string => $found[$id], $result->ids()));
        $this->assertSame(count($slugs), $result->steps[0]->left);
        $this->assertSame($reads, Sentences::of($module, Garden::format())[0]->text());
        $this->assertSame($source, $module->source->toArray(), 'written as it was read');
        // What it holds says so, and all else says why not.
        foreach ($module->source->records($all, $context) as $record) {
            $this->assertTrue(
                Trace::of($module, $record, $context, new Format('en-GB', 'GBP', 'UTC'))->passes(),
                $record->slug,
            );
        }
        $other = Garden::record(99, status: Status::Draft);
        $this->assertFalse(Trace::of($module, $other, $context, new Format('en-GB', 'GBP', 'UTC'))->passes());
    }

    /** @return array<string, array{0: array<string, mixed>, 1: list<string>, 2: string, 3?: PageSubject}> */
    public static function sources(): array
    {
        $hosta = self::garden()[1];
        $term = fn (string $taxonomy, string $slug): PageSubject => new PageSubject(
            term: ['taxonomy' => $taxonomy, 'slug' => $slug],
        );

        return [
            'items of one type, the newest first' => [
                ['items' => ['plant']],
                ['box', 'hosta', 'lady-fern'],
                'Plants that are published',
            ],
            'of two' => [
                ['items' => ['plant', 'tool']],
                ['spade', 'box', 'hosta', 'lady-fern'],
                'Plants and Tools that are published',
            ],
            'all terms, as their tree stands' => [
                ['terms' => 'groups'],
                ['perennials', 'ferns', 'tree-ferns', 'hostas', 'shrubs'],
                'the terms of Plant groups',
            ],
            'terms below one' => [
                ['terms' => 'groups', 'under' => 'perennials'],
                ['ferns', 'tree-ferns', 'hostas'],
                'the terms of Plant groups below Perennials',
            ],
            'terms in use, those above them too' => [
                ['terms' => 'groups', 'used' => true],
                ['perennials', 'ferns', 'hostas', 'shrubs'],
                'the terms of Plant groups that are in use',
            ],
            'terms by what is counted' => [
                ['terms' => 'groups', 'used' => true, 'counting' => ['tool']],
                ['shrubs'],
                'the terms of Plant groups that are in use, counting Tools',
            ],
            'people by name' => [['people' => ['groups' => []]], ['ada', 'bo'], 'people'],
            'people of a group' => [['people' => ['groups' => ['gardeners']]], ['ada'], 'people of Gardeners'],
            'months' => [
                ['months' => ['plant'], 'by' => 'publish_at'],
                ['2026-04', '2026-03', '2026-02'],
                'the months that hold Plants, by Publish date',
            ],
            'years of a day' => [
                ['years' => ['plant'], 'by' => 'sown'],
                ['2026', '2025'],
                'the years that hold Plants, by Sown',
            ],
            'the page’s item' => [
                ['page' => 'item'],
                ['hosta'],
                'the item that the page is about',
                new PageSubject(item: $hosta),
            ],
            'of a type that it is not' => [
                ['page' => 'item', 'type' => 'tool'],
                [],
                'the item that the page is about, of Tools',
                new PageSubject(item: $hosta),
            ],
            'of a page about none' => [['page' => 'item'], [], 'the item that the page is about'],
            'the page’s term, of any taxonomy' => [
                ['page' => 'term'],
                ['clay'],
                'the term that the page is about',
                $term('soils', 'clay'),
            ],
            'one slug in two taxonomies' => [
                ['page' => 'term'],
                ['ferns'],
                'the term that the page is about',
                $term('soils', 'ferns'),
            ],
            'the page’s term of one' => [
                ['page' => 'term', 'of' => 'groups'],
                ['ferns'],
                'the term of Plant groups that the page is about',
                $term('groups', 'ferns'),
            ],
            'of another than the page’s' => [
                ['page' => 'term', 'of' => 'groups'],
                [],
                'the term of Plant groups that the page is about',
                $term('soils', 'ferns'),
            ],
            'one by hand' => [['one' => 'box', 'type' => 'plant'], ['box'], 'the plant “box”'],
            'one that may not be seen' => [['one' => 'hidden', 'type' => 'plant'], [], 'the plant “hidden”'],
        ];
    }

    public function test_what_terms_people_and_months_are_counted_by_is_what_the_visitor_may_see(): void
    {
        $reader = new ModuleReader(Garden::catalogue());
        $counts = function (array $source) use ($reader): array {
            $module = $reader->read(['format' => 1, 'key' => 'drawn', 'name' => 'Drawn', 'source' => $source]);
            $records = $module->source->records(self::garden(), Garden::context('2026-12-01T12:00:00Z'));

            return array_column(
                array_map(
                    fn (Record $record): array => [$record->slug, $record->value($module->type()->fields['count'])],
                    $records,
                ),
                1,
                0,
            );
        };
        $this->assertSame(
            ['perennials' => 2, 'ferns' => 2, 'tree-ferns' => 0, 'hostas' => 1, 'shrubs' => 2],
            $counts(['terms' => 'groups']),
        );
        $this->assertSame(
            ['perennials' => 0, 'ferns' => 0, 'tree-ferns' => 0, 'hostas' => 0, 'shrubs' => 1],
            $counts(['terms' => 'groups', 'counting' => ['tool']]),
            'plants are not counted',
        );
        $this->assertSame(2, $counts(['terms' => 'groups', 'counting' => ['tool', 'plant']])['ferns']);
        $this->assertSame(['ada' => 2, 'bo' => 1], $counts(['people' => ['groups' => []]]));
        $this->assertSame(['2025' => 1, '2026' => 1], $counts(['years' => ['plant'], 'by' => 'sown']));
    }

    public function test_terms_of_several_taxonomies_have_the_fields_that_all_have(): void
    {
        $number = fn (string $key): Field => new Field($key, ucfirst($key), new Kind\Number('number'));
        $text = new Field('height', 'Height', new Kind\Text);
        $shared = TermType::shared([
            new Taxonomy('a', 'A', false, new TermTree([]), ['acid' => $number('acid'), 'height' => $number('height')]),
            new Taxonomy(
                'b',
                'B',
                true,
                new TermTree([]),
                ['height' => $text, 'acid' => $number('acid'), 'more' => $number('more')],
            ),
        ]);
        $this->assertSame(
            ['title', 'slug', 'text', 'picture', 'colour', 'count', 'place', 'acid'],
            array_keys($shared->reachable),
        );
    }

    public function test_a_word_counts_the_most_of_what_holds_it_and_nothing_where_it_is_not_looked_for(): void
    {
        $texts = [
            'A' => ['title' => 'lady fern'],
            'B' => ['nickname' => 'fern frost', 'groups' => 'ferns perennials'],
            'D' => ['text' => 'frost moss fern'],
        ];
        $weights = fn (string $words, ?array $in): array => array_map(
            fn (SearchTerm $word): int => $word->weight($texts, new AnyLanguage),
            SearchTerm::all($words, $in),
        );
        $this->assertSame([4, 2, 1, 0], $weights('fern frost moss oak', null));
        $this->assertSame([2, 0], $weights('ferns fer', null), 'a word is whole');
        $this->assertSame([4, 2], $weights('fer* fro*', null), 'or begins so');
        $this->assertSame([9, 9, 9, 0], $weights('fern frost moss lady', ['text' => 9]));
        $this->assertSame([3, 7, 0], $weights('lady fern moss', ['title' => 3, 'nickname' => 7]));
        $this->assertSame([5], $weights('PERENNIALS Perennials', ['groups' => 5]), 'each word once, case aside');
    }

    public function test_pages_are_taken_below_an_address_or_by_hand(): void
    {
        $page = fn (int $id, string $address, bool $isThere = true): Record => new Record(
            $id, Pages::KEY, "page-{$id}", "Page {$id}", $isThere ? Status::Published : Status::Draft,
            '0001-01-01T00:00:00Z', null, Audience::everyone(), ['address' => $address, 'place' => $id],
        );
        $all = [
            $page(1, '/'), $page(2, '/visit'), $page(3, '/visit/fees'), $page(4, '/visit/way/bus'),
            $page(5, '/visitors'), $page(6, '/visit/keys', false),
        ];
        $taken = function (array $pages) use ($all): array {
            $source = ['pages' => $pages];
            $module = (new ModuleReader(Garden::catalogue()))
                ->read(['format' => 1, 'key' => 'drawn', 'name' => 'Drawn', 'source' => $source]);
            $this->assertSame($source, $module->toArray()['source']);

            return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))
                ->run($module, $all, Garden::context())->ids();
        };
        $this->assertSame([1, 2, 3, 4, 5], $taken([]), 'in the order of the tree, without what is not for the viewer');
        $this->assertSame([3, 4], $taken(['under' => '/visit']));
        $this->assertSame([2, 3, 4, 5], $taken(['under' => '/']));
        $this->assertSame([2, 4], $taken(['only' => ['/visit/way/bus', '/visit', '/gone']]));
        foreach ([['under' => 'visit'], ['only' => ['/{group}']], ['above' => '/']] as $wrong) {
            try {
                $taken($wrong);
                $this->fail('It is refused.');
            } catch (Refused $refused) {
                $this->assertStringStartsWith('source.pages.', $refused->problems[0]->path);
            }
        }
    }

    public function test_another_source_keeps_the_rules_that_fit_and_gives_a_whole_definition(): void
    {
        $reader = new ModuleReader(Garden::catalogue());
        $plants = $reader->read([
            'format' => 1, 'key' => 'drawn', 'name' => 'Drawn', 'source' => ['items' => ['plant']],
            'where' => ['all' => [
                ['field' => 'title', 'test' => 'contains', 'value' => 'fern'],
                ['field' => 'sown', 'test' => 'past'],
            ]],
            'order' => [['by' => 'sown'], ['by' => 'title']],
            'page' => ['mode' => 'more', 'size' => 9],
            'arrange' => ['as' => 'spotlight'],
            'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => 'sown']]]]],
        ])->toArray();
        $change = new SourceChange($reader);
        $whole = ['format', 'key', 'name', 'source', 'order', 'page', 'arrange', 'card', 'whenNothing'];
        foreach ([
            ['items' => ['tool']], ['one' => 'box', 'type' => 'plant'], ['people' => ['groups' => []]],
            ['months' => ['plant'], 'by' => 'publish_at'], ['terms' => 'groups'], ['page' => 'item'],
        ] as $source) {
            $to = $change->to($plants, $source);
            $about = (string) json_encode($to);
            $this->assertSame([], array_diff($whole, array_keys($to)), $about);
            $this->assertSame(
                ['more', 9, 'spotlight'],
                [$to['page']['mode'], $to['page']['size'], $to['arrange']['as']],
            );
            $this->assertSame($to, $reader->read($to)->toArray(), $about);
        }
        $tools = $change->to($plants, ['items' => ['tool']]);
        $this->assertSame(['title'], array_column($tools['where']['all'], 'field'), 'tools have no day of sowing');
        $this->assertSame(['title'], array_column($tools['order'], 'by'));
        $same = $change->to($plants, ['one' => 'box', 'type' => 'plant']);
        $this->assertSame([$plants['card'], $plants['where']], [$same['card'], $same['where']]);
        $grouped = ['where' => ['none' => [
            ['field' => 'title', 'test' => 'filled'], ['field' => 'sown', 'test' => 'past'],
        ]]] + $plants;
        $this->assertArrayNotHasKey(
            'where',
            $change->to($grouped, ['items' => ['tool']]),
            'half a group is another rule',
        );
        $this->expectException(Refused::class);
        $change->to($plants, ['items' => ['nothing']]);
    }
}
