<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Page\Frame\FrameResolver;
use Wellspring\Core\Page\Menu\MenuEntry;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Page\Menu\MenuResolver;
use Wellspring\Core\Page\Menu\ShownMenuEntry;
use Wellspring\Core\Page\Place;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\Sentence;

/** The frame and menus, after rules.md, “Places” and “Pages”, and format.md, “Frame” and “Menu”. */
final class FrameTest extends TestCase
{
    private const FRAME = [
        'format' => 1,
        'slots' => [
            'header' => [['block' => 'pageTitle']],
            'side' => [
                ['module' => 'newest', 'heading' => 'New', 'on' => ['except' => ['/shop', '/shop/*']]],
                ['block' => 'text', 'html' => '<p>Come in</p>', 'audience' => ['signed-out'], 'on' => [
                    'pages' => ['/groups/{group}'],
                ]],
            ],
            'footer' => [
                ['module' => 'hours', 'until' => '2026-06-01T00:00:00Z'],
                ['module' => 'resting', 'on' => 'nowhere'],
            ],
        ],
    ];

    private const MENU = [
        'format' => 1,
        'key' => 'main',
        'entries' => [
            ['page' => 'shop', 'entries' => [
                ['term' => ['groups', 'ferns'], 'label' => 'All ferns'],
                ['module' => 'newest', 'audience' => ['members']],
            ]],
            ['item' => ['plant', 'lady-fern']],
            ['link' => 'https://example.org/', 'label' => 'Friends', 'audience' => ['members'], 'entries' => [
                ['link' => 'mailto:ivo@example.org', 'label' => 'Write'],
            ]],
        ],
    ];

    /** @return iterable<string, array{mixed, string, string, bool}> what is said, page, address, whether it shows */
    public static function places(): iterable
    {
        yield 'everywhere' => ['everywhere', '/', '/', true];
        yield 'nowhere' => ['nowhere', '/', '/', false];
        yield 'a page' => [['pages' => ['/shop']], '/shop', '/shop', true];
        yield 'not one below it' => [['pages' => ['/shop']], '/shop/{product}', '/shop/fern', false];
        yield 'it and all below: it' => [['pages' => ['/shop/*']], '/shop', '/shop', true];
        yield 'it and all below: below' => [['pages' => ['/shop/*']], '/shop/{product}', '/shop/fern', true];
        yield 'no other that begins so' => [['pages' => ['/shop/*']], '/shopping', '/shopping', false];
        yield 'all pages' => [['pages' => ['/*']], '/a/b', '/a/b', true];
        yield 'the page of every term' => [['pages' => ['/groups/{group}']], '/groups/{group}', '/groups/ferns', true];
        yield 'the page of one term' => [['pages' => ['/groups/ferns']], '/groups/{group}', '/groups/ferns', true];
        yield 'not that of another' => [['pages' => ['/groups/ferns']], '/groups/{group}', '/groups/hostas', false];
        yield 'a page of its own beside' => [['pages' => ['/groups/{group}']], '/groups/new', '/groups/new', false];
        yield 'but there' => [['except' => ['/shop', '/journal/*']], '/journal/{post}', '/journal/may', false];
        yield 'elsewhere' => [['except' => ['/shop', '/journal/*']], '/garden', '/garden', true];
        yield 'on none of none' => [['pages' => []], '/', '/', false];
        yield 'on all but none' => [['except' => []], '/', '/', true];
    }

    #[DataProvider('places')]
    public function test_a_place_names_pages(mixed $on, string $pattern, string $path, bool $shows): void
    {
        $problems = new Problems;
        $place = Place::read(new Shape(['on' => $on], '', $problems), $problems);
        $this->assertSame([], $problems->all());
        $this->assertSame($shows, $place->admits(AddressPattern::of($pattern), $path));
        $this->assertSame($on === 'everywhere' ? [] : ['on' => $on], $place->toArray());
    }

    public function test_the_frame_is_written_as_it_is_read_and_said_in_words(): void
    {
        $frame = FrameReader::read(self::FRAME);
        $this->assertSame(self::FRAME, $frame->toArray());
        $this->assertSame(['newest', 'hours', 'resting'], $frame->modules());
        $this->assertCount(5, $frame->schedules());
        $this->assertSame([
            'In the header the page’s title',
            'At the side the module newest under “New” (everywhere but on /shop, /shop/*), '
                .'the text “Come in” (only on /groups/{group}, for signed-out visitors)',
            'In the footer the module hours (until 2026-06-01T00:00:00Z), the module resting (nowhere)',
        ], array_map(fn (Sentence $one): string => "{$one->lead} {$one->text()}", $frame->sentences()));
        $this->assertSame('{"format":1,"slots":{}}', json_encode((new FrameDefinition([]))->toArray()));
    }

    public function test_the_frame_shows_by_place_audience_and_dates_and_empty_slots_are_gone(): void
    {
        $frame = FrameReader::read(self::FRAME);
        $shown = fn (string $pattern, string $path, Context $context, string ...$empty): array => array_map(
            fn (array $blocks): array => array_column($blocks, 'name'),
            FrameResolver::show(
                $frame,
                AddressPattern::of($pattern),
                $path,
                $context,
                function (Block $block) use ($empty): Node {
                    $name = $block->modules()[0] ?? $block::key();

                    return in_array($name, $empty, true)
                        ? Node::emptyLeaf(Level::Module, $name === 'newest' ? Level::Slot : Level::Module)
                        : Node::leaf(Level::Module, (object) ['name' => $name]);
                },
            ),
        );
        $may = Garden::context('2026-05-31T23:59:59Z');
        $june = Garden::context('2026-06-01T00:00:00Z');
        $group = ['/groups/{group}', '/groups/ferns'];
        $all = ['header' => ['pageTitle'], 'side' => ['newest', 'text'], 'footer' => ['hours']];
        $this->assertSame($all, $shown(...[...$group, $may]));
        $this->assertSame(array_diff_key($all, ['footer' => 0]), $shown(...[...$group, $june]), 'its dates have ended');
        $member = Garden::context('2026-05-31T23:59:59Z', Viewer::member('ivo@example.org'));
        $this->assertSame(array_replace($all, ['side' => ['newest']]), $shown(...[...$group, $member]));
        $this->assertSame(array_diff_key($all, ['side' => 0]), $shown('/shop', '/shop', $may));
        $this->assertSame(
            array_diff_key($all, ['side' => 0]),
            $shown(...[...$group, $may, 'newest']),
            'one without anything may take its slot with it',
        );
        $this->assertSame(array_diff_key($all, ['footer' => 0]), $shown(...[...$group, $may, 'hours']));
    }

    public function test_a_menu_is_written_as_it_is_read(): void
    {
        $menu = (new MenuReader(Garden::catalogue()))->read(self::MENU);
        $this->assertSame(self::MENU, $menu->toArray());
        $this->assertSame(['newest'], $menu->modules());
        $this->assertSame(
            ['page shop', 'item plant/lady-fern', '“Friends” (https://example.org/)'],
            array_map(fn (MenuEntry $entry): string => $entry->words(), $menu->entries),
        );
    }

    public function test_a_menu_shows_what_the_viewer_may_see_and_marks_where_they_are(): void
    {
        $menu = (new MenuReader(Garden::catalogue()))->read(self::MENU);
        $targets = fn (MenuEntry $entry): array => match (implode('/', $entry->named)) {
            'shop' => [['label' => 'Shop', 'address' => '/shop']],
            'groups/ferns' => [['label' => 'Ferns', 'address' => '/groups/ferns']],
            'newest' => [
                ['label' => 'Lily', 'address' => '/shop/lily'], ['label' => 'Rose', 'address' => '/shop/rose'],
            ],
            'plant/lady-fern' => [],
            default => [['label' => '', 'address' => $entry->named[0]]],
        };
        $said = function (array $entries) use (&$said): array {
            $all = [];
            foreach ($entries as $entry) {
                $this->assertInstanceOf(ShownMenuEntry::class, $entry);
                $mark = $entry->isCurrent ? '*' : ($entry->holdsCurrent() ? '+' : '');
                $all["{$entry->label}{$mark}"] = $said($entry->entries);
            }

            return $all;
        };
        $context = Garden::context();
        $this->assertSame(
            ['Shop+' => ['All ferns*' => []]],
            $said(MenuResolver::show($menu, '/groups/ferns', $context, $targets)),
            'what nobody may see is gone with all below it',
        );
        $member = Garden::context(viewer: Viewer::member('ivo@example.org'));
        $this->assertSame(
            ['Shop+' => ['All ferns' => [], 'Lily' => [], 'Rose*' => []], 'Friends' => ['Write' => []]],
            $said(MenuResolver::show($menu, '/shop/rose', $member, $targets)),
        );
    }

    public function test_faults_name_their_place(): void
    {
        $this->assertSame([
            'format wrongValue', 'slots.header[0].block wrongValue', 'slots.header[0].on.pages[1] wrongValue',
            'slots.side[0].on wrongValue', 'slots.side[0].colour unknownKey', 'slots.middle unknownKey',
        ], self::faults(fn () => FrameReader::read([
            'format' => 2,
            'slots' => [
                'header' => [['block' => 'dance', 'on' => ['pages' => ['/a', 'b']]]],
                'side' => [['module' => 'm', 'on' => 'somewhere', 'colour' => 'red']],
                'middle' => [],
            ],
        ])));
        $deep = ['link' => '/', 'label' => 'x'];
        for ($level = 0; $level < 6; $level++) {
            $deep = ['link' => '/', 'label' => 'x', 'entries' => [$deep]];
        }
        $below = str_repeat('.entries[0]', 4);
        $this->assertSame([
            'key wrongValue', 'entries[0] wrongValue', 'entries[1].term wrongValue', 'entries[2].item wrongValue',
            'entries[3].label missing', 'entries[4].link wrongValue', 'entries[5].entries unknownKey',
            'entries[6].audience[0] wrongValue', "entries[7]{$below}.entries tooDeep",
        ], self::faults(fn () => (new MenuReader(Garden::catalogue()))->read([
            'format' => 1, 'key' => 'Main', 'entries' => [
                ['page' => 'shop', 'link' => '/shop'],
                ['term' => ['planets', 'mars']],
                ['item' => ['plant']],
                ['link' => '/shop'],
                ['link' => 'javascript:alert(1)', 'label' => 'x'],
                ['module' => 'newest', 'entries' => []],
                ['page' => 'shop', 'audience' => ['friends']],
                $deep,
            ],
        ])));
    }

    /**
     * @param  \Closure(): mixed  $read
     * @return list<string> place and code
     */
    private static function faults(\Closure $read): array
    {
        try {
            $read();
        } catch (Refused $refused) {
            return array_map(fn (Problem $one): string => "{$one->path} {$one->code->value}", $refused->problems);
        }

        return [];
    }
}
