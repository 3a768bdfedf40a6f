<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Address\PageRouter;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Fields;
use Wellspring\Core\Page\Block\Parts;
use Wellspring\Core\Page\Block\Space;
use Wellspring\Core\Page\Blocks;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Page\Offer\OfferedModule;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Page\PageResolver;
use Wellspring\Core\Page\PageSentences;
use Wellspring\Core\Page\Schedule;
use Wellspring\Core\Page\ShownSlot;
use Wellspring\Core\Page\Slot;
use Wellspring\Core\Page\StarterBodies;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\Sentence;

/** Pages, after rules.md, “Pages” and “Empty-value rules”, and format.md, “Page, format 1”. */
final class PageTest extends TestCase
{
    /** The example of format.md, and what the example does not show. */
    private const PAGE = [
        'format' => 1, 'key' => 'group', 'address' => '/groups/{group}', 'about' => ['term' => 'groups'],
        'title' => 'Plant groups', 'showTitle' => false, 'description' => 'By kin.', 'picture' => 'gate.webp',
        'menu' => ['label' => 'Groups'], 'until' => '2027-01-01T00:00:00Z', 'whenNotForYou' => 'signIn',
        'bands' => [
            ['key' => 'top', 'tone' => 'quiet', 'ground' => ['page' => 'picture'], 'slots' => [
                ['share' => 12, 'blocks' => [
                    ['block' => 'pageTitle'],
                    ['block' => 'pageText', 'empty' => ['do' => 'say', 'text' => 'Nobody has written yet.']],
                ]],
            ]],
            ['key' => 'body', 'slots' => [
                ['share' => 6, 'blocks' => [['module' => 'of-this-group']]],
                ['share' => 3, 'audience' => ['members'], 'blocks' => [
                    ['module' => 'newest-in-the-shop', 'heading' => 'New'],
                    ['block' => 'text', 'html' => '<p>Come and see</p>'],
                ]],
                ['share' => 3, 'blocks' => [['module' => 'other-groups', 'heading' => false]]],
            ]],
        ],
    ];

    public function test_a_definition_is_written_as_it_is_read_and_said_in_words(): void
    {
        $page = self::page();
        $this->assertSame(self::PAGE, $page->toArray());
        $this->assertSame(['of-this-group', 'newest-in-the-shop', 'other-groups'], $page->modules());
        $this->assertSame([
            'At /groups/{group}, one page for all terms of groups',
            'Called “Plant groups”, which is not shown',
            'Shown until 2027-01-01T00:00:00Z; others are asked to sign in',
            'Band top, quiet, on the page’s own picture: the page’s title, the page’s text',
            'Band body: 6/12 the module of-this-group | 3/12 for members the module newest-in-the-shop under “New”, '
                .'the text “Come and see” | 3/12 the module other-groups without a heading',
        ], array_map(fn (Sentence $one): string => "{$one->lead} {$one->text()}", PageSentences::of($page)));
        $renamed = self::page(['title' => 'Kinds', 'until' => null]);
        $this->assertSame([
            [false, 'Called “Plant groups”, which is not shown'],
            [false, 'Shown until 2027-01-01T00:00:00Z; others are asked to sign in'],
            [true, 'Called “Kinds”, which is not shown'],
        ], array_map(
            fn (array $line): array => [$line['now'], $line['words']],
            PageSentences::changed($page, $renamed),
        ));
        $this->assertCount(5, PageSentences::changed(null, $page));
    }

    public function test_faults_name_their_place(): void
    {
        try {
            self::page([
                'key' => 'Group', 'address' => '/groups', 'about' => ['term' => 'planets'], 'colour' => 'red',
                'audience' => ['friends'], 'from' => '2027-06-01T00:00:00Z', 'whenNotForYou' => 'shout',
                'bands' => [
                    ['key' => 'a', 'slots' => [['share' => 5, 'blocks' => []], ['share' => 6, 'blocks' => []]]],
                    ['key' => 'a', 'tone' => 'loud', 'ground' => ['sky' => 1], 'slots' => [
                        ['share' => 12, 'blocks' => [
                            ['block' => 'dance'], ['module' => 'A B'], ['block' => 'space', 'height' => 3],
                            ['block' => 'map', 'field' => 'title'], ['block' => 'previousNext', 'order' => 'A B'],
                        ]],
                    ]],
                    ['key' => 'b', 'ground' => ['colour' => 'puce'], 'slots' => [['share' => 12, 'blocks' => []]]],
                ],
            ]);
            $this->fail('It was read.');
        } catch (Refused $refused) {
            $this->assertEqualsCanonicalizing([
                'key', 'address', 'about.term', 'colour', 'audience[0]', 'until', 'whenNotForYou', 'bands[0].slots',
                'bands[1].key', 'bands[1].tone', 'bands[1].ground', 'bands[1].slots[0].blocks[0].block',
                'bands[1].slots[0].blocks[3].field', 'bands[1].slots[0].blocks[4].block',
                'bands[1].slots[0].blocks[4].order', 'bands[2].ground.colour',
                'bands[1].slots[0].blocks[1].module', 'bands[1].slots[0].blocks[2].height',
            ], array_map(fn (Problem $problem): string => $problem->path, $refused->problems));
        }
    }

    /** @return iterable<string, array{Context, array<string, Level>, array<string, list<string>>}> */
    public static function contexts(): iterable
    {
        $member = Garden::context(viewer: Viewer::member());
        $out = Garden::context(viewer: Viewer::signedOut());
        yield 'all of it' => [$member, [], ['top' => ['12'], 'body' => ['6', '3', '3']]];
        yield 'a slot that is not for the viewer' => [$out, [], ['top' => ['12'], 'body' => ['8', '4']]];
        yield 'a block with nothing to show' => [
            $member,
            ['of-this-group' => Level::Module],
            ['top' => ['12'], 'body' => ['6', '6']],
        ];
        yield 'one that takes its slot' => [
            $member,
            ['newest-in-the-shop' => Level::Slot],
            ['top' => ['12'], 'body' => ['8', '4']],
        ];
        yield 'one that takes its band' => [$member, ['other-groups' => Level::Band], ['top' => ['12']]];
        yield 'a band with no slot left' => [
            $out,
            ['of-this-group' => Level::Module, 'other-groups' => Level::Module],
            ['top' => ['12']],
        ];
        yield 'nothing at all' => [
            $out,
            array_fill_keys(['of-this-group', 'other-groups', 'pageTitle', 'pageText'], Level::Module),
            [],
        ];
    }

    /**
     * @param  array<string, Level>  $empty  what has nothing to show, and what goes with it
     * @param  array<string, list<string>>  $shares  of the slots that are left, by band
     */
    #[DataProvider('contexts')]
    public function test_what_has_nothing_to_show_gives_way(Context $context, array $empty, array $shares): void
    {
        $shown = PageResolver::show(self::page(), $context, function (Block $block) use ($empty): Node {
            $name = $block->modules()[0] ?? $block::key();

            return isset($empty[$name]) ? Node::emptyLeaf(Level::Module, $empty[$name])
                : Node::leaf(Level::Module, $block);
        });
        $left = [];
        foreach ($shown as $band) {
            $left[$band->band->key] = array_map(fn (ShownSlot $slot): string => $slot->share(), $band->slots);
        }
        $this->assertSame($shares, $left);
    }

    /** Of slots of 5, 4 and 3 twelfths the last is gone: 5 · 12 / 9 = 6 2/3 and 4 · 12 / 9 = 5 1/3. */
    public function test_a_share_that_is_no_whole_number_is_told_as_a_fraction(): void
    {
        $share = fn (Slot $slot): string => (new ShownSlot($slot, 9, [new Space]))->share();
        $this->assertSame(['20/3', '16/3'], [
            $share(new Slot(5, [], Schedule::always())),
            $share(new Slot(4, [], Schedule::always())),
        ]);
    }

    public function test_parts_show_what_the_page_is_about_and_take_their_slot_with_them(): void
    {
        $parts = fn (array $empty): array => ['block' => 'parts', 'card' => ['lines' => [
            ['parts' => [['part' => 'field', 'field' => 'height', 'empty' => $empty]]],
        ]]];
        $page = fn (array $about, array $block): PageDefinition => (new PageReader(Garden::catalogue()))->read([
            'format' => 1, 'key' => 'plant', 'title' => 'Plant',
            'address' => $about === [] ? '/plants' : '/plants/{plant}',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [$block]]]]],
        ] + ($about === [] ? [] : ['about' => $about]));
        $taking = $parts(['do' => 'leaveOutSlot']);
        $read = $page(['item' => 'plant'], $taking);
        $this->assertSame($taking, $read->toArray()['bands'][0]['slots'][0]['blocks'][0]);
        $block = $read->blocks()[0]->block;
        $this->assertInstanceOf(Parts::class, $block);
        $node = $block->card?->node(Garden::record(1, []), Garden::cards());
        $this->assertNull($node?->left());
        $this->assertSame(Level::Slot, $node?->takes());
        $fields = ['block' => 'field', 'fields' => ['light', 'groups'], 'empty' => ['do' => 'leaveOutBand']];
        $read = $page(['item' => 'plant'], $fields);
        $this->assertSame($fields, $read->toArray()['bands'][0]['slots'][0]['blocks'][0]);
        $this->assertSame('light, plant groups', $read->blocks()[0]->block->words());
        $this->assertSame(EmptyAction::LeaveOutBand, $read->blocks()[0]->block->whenEmpty()->do);
        $internal = ['slug', 'views', 'created_at', 'updated_at', 'lead', 'publish_at', 'author'];
        $this->assertSame([], array_intersect($internal, array_map(
            fn (Field $field): string => $field->key,
            Fields::ofType(Garden::plant()),
        )), 'nothing internal is a default part');
        foreach ([
            'bands[0].slots[0].blocks[0].fields[1]' => fn () => $page(
                ['item' => 'plant'],
                ['block' => 'field', 'fields' => ['light', 'wings']],
            ),
            'bands[0].slots[0].blocks[0].fields' => fn () => $page(
                ['item' => 'plant'],
                ['block' => 'field', 'fields' => []],
            ),
            'bands[0].slots[0].blocks[0].card.lines[0].parts[0].empty.do' => fn () => $page(
                ['item' => 'plant'],
                $parts(['do' => 'shout']),
            ),
            'bands[0].slots[0].blocks[0].block' => fn () => $page([], $taking),
        ] as $path => $wrong) {
            try {
                $wrong();
                $this->fail("It was read: {$path}");
            } catch (Refused $refused) {
                $this->assertSame([$path], array_column($refused->problems, 'path'));
            }
        }
    }

    public function test_a_number_can_be_said_in_words(): void
    {
        $said = function (array $part, ?int $height): ?string {
            $block = (new PageReader(Garden::catalogue()))->read([
                'format' => 1, 'key' => 'plant', 'title' => 'Plant', 'address' => '/plants/{plant}',
                'about' => ['item' => 'plant'],
                'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
                    ['block' => 'parts', 'card' => ['lines' => [['parts' => [['part' => 'field'] + $part]]]]],
                ]]]]],
            ])->blocks()[0]->block;
            $parts = $block instanceof Parts ? $block->card?->parts() ?? [] : [];

            return ($parts['card.lines[0].parts[0]'] ?? null)?->value(
                Garden::record(1, ['height' => $height]),
                Garden::cards(),
            )?->text;
        };
        $words = '{n, plural, =0 {Sold out} one {The last one} other {# in stock}}';
        foreach ([null, 0, 1, 1200] as $i => $height) {
            $this->assertSame(
                [null, 'Sold out', 'The last one', '1,200 in stock'][$i],
                $said(['field' => 'height', 'message' => $words], $height),
            );
        }
        foreach ([
            'no message' => ['field' => 'height', 'message' => '{n, plural, one {a}'],
            'nothing of 0' => ['field' => 'height', 'message' => '{n, plural, =0 {} other {#}}'],
            'no number' => ['field' => 'light', 'message' => $words],
        ] as $what => $part) {
            try {
                $said($part, 1);
                $this->fail("It was read: {$what}");
            } catch (Refused $refused) {
                $this->assertStringEndsWith('parts[0].message', $refused->problems[0]->path, $what);
            }
        }
    }

    public function test_every_body_to_begin_with_is_an_ordinary_definition(): void
    {
        $catalogue = Garden::catalogue();
        $words = [];
        foreach ([
            '/a' => null, '/a/{b}' => ['item' => 'plant'], '/b/{b}' => ['term' => 'groups'],
            '/c/{b}' => ['month' => ['plant'], 'by' => 'publish_at'], '/d/{b}' => ['person' => true],
        ] as $address => $about) {
            $page = fn (array $bands): PageDefinition => (new PageReader($catalogue))->read([
                'format' => 1, 'key' => 'a', 'address' => $address, 'title' => 'A', 'bands' => $bands,
            ] + ($about === null ? [] : ['about' => $about]));
            $about = $page([])->about;
            foreach (StarterBodies::of($about, $about?->source($catalogue)?->type()) as $body) {
                $this->assertSame($body['bands'], $page($body['bands'])->toArray()['bands'], $body['words']);
                $words[] = $body['words'];
            }
        }
        $this->assertGreaterThanOrEqual(12, count(array_unique($words)));
    }

    public function test_a_page_and_its_parts_begin_and_end_on_the_instant(): void
    {
        $page = self::page(['from' => '2026-05-01T10:00:00Z', 'until' => '2026-06-01T10:00:00Z']);
        $at = fn (string $instant): Context => Garden::context($instant);
        $this->assertSame(
            [false, true, true, false],
            array_map(fn (string $instant): bool => $page->schedule->admits($at($instant)), [
                '2026-05-01T09:59:59Z', '2026-05-01T10:00:00Z', '2026-06-01T09:59:59Z', '2026-06-01T10:00:00Z',
            ]),
        );
        $this->assertSame('2026-05-01T10:00:00Z', $page->schedule->nextChange($at('2026-05-01T09:59:59Z')));
        $this->assertSame('2026-06-01T10:00:00Z', $page->schedule->nextChange($at('2026-05-01T10:00:00Z')));
        $this->assertNull($page->schedule->nextChange($at('2026-06-01T10:00:00Z')));
    }

    public function test_the_page_that_fits_best_answers(): void
    {
        $about = fn (string $key, string $address, array $more = []): PageDefinition => self::page(
            ['key' => $key, 'address' => $address, 'about' => ['term' => 'groups'] + $more],
        );
        $router = new PageRouter([
            $about('all', '/groups/{group}'),
            $about('anything', '/{group}/ferns'),
            $about('perennials', '/groups/{group}', ['under' => 'perennials']),
            $about('ferns', '/groups/{group}', ['under' => 'ferns']),
            $about('one', '/groups/{group}', ['only' => ['climbers']]),
            self::plain('literal', '/groups/new'),
            self::plain('home', '/'),
        ], Garden::catalogue());
        $found = fn (string $path): ?string => $router->fits($path)[0][0]->key ?? null;
        $this->assertSame('all', $found('/groups/shrubs'));
        $this->assertSame('perennials', $found('/groups/perennials'));
        $this->assertSame('perennials', $found('/groups/hostas'));
        $this->assertSame('ferns', $found('/groups/tree-ferns'), 'the nearest above');
        $this->assertSame('ferns', $found('/groups/ferns'), 'a literal from the left beats a placeholder');
        $this->assertSame('one', $found('/groups/climbers'));
        $this->assertSame('literal', $found('/groups/new'));
        $this->assertSame('anything', $found('/kin/ferns'));
        $this->assertSame(['home', null, null], [$found('/'), $found('/Groups/shrubs'), $found('/groups/a/b')]);
        $this->assertSame('shrubs', $router->fits('/groups/shrubs')[0][1] ?? null);
        $this->assertSame('/groups/a%20b', AddressPattern::of('/groups/{group}')->filled('a b'));
        foreach (['groups', '/a//b', '/{a}/{b}', '/a{b}', '/a b', '/'.str_repeat('a', 256)] as $wrong) {
            try {
                AddressPattern::of($wrong);
                $this->fail("“{$wrong}” was taken.");
            } catch (\InvalidArgumentException $fault) {
                $this->assertStringContainsString('is no address of a page', $fault->getMessage());
            }
        }
    }

    /** Whatever the plan offers can be read as it begins, before anything is typed into it. */
    public function test_every_block_that_is_offered_begins_as_one_that_can_be_read(): void
    {
        $catalogue = Garden::catalogue();
        $modules = [new OfferedModule('plants', ['plant'], true, ['/plants'])];
        foreach ([null, ['item' => 'plant'], ['term' => 'groups'], ['person' => true]] as $about) {
            $read = fn (array $blocks): PageDefinition => (new PageReader($catalogue))->read(array_filter([
                'format' => 1, 'key' => 'a', 'title' => 'A', 'address' => $about === null ? '/a' : '/a/{one}',
                'about' => $about,
                'bands' => [['key' => 'a', 'slots' => [['share' => 12, 'blocks' => $blocks]]]],
            ]));
            $site = new BlockSite($read([])->about, array_values($catalogue->types), $modules);
            $missing = [];
            foreach (Blocks::offered($site) as $one) {
                $read(array_filter([$one->begin]));
                if ($one->begin === null) {
                    $missing[] = $one->key;
                    $this->assertNotSame('', $one->why, $one->key);
                }
            }
            $this->assertSame($about === null ? ['field', 'parts', 'previousNext'] : [], $missing);
        }
    }

    /** @param  array<string, mixed>  $changes */
    private static function page(array $changes = []): PageDefinition
    {
        return (new PageReader(Garden::catalogue()))->read($changes + self::PAGE);
    }

    private static function plain(string $key, string $address): PageDefinition
    {
        return (new PageReader(Garden::catalogue()))
            ->read(['format' => 1, 'key' => $key, 'address' => $address, 'title' => 'A page', 'bands' => []]);
    }
}
