<?php

declare(strict_types=1);

namespace Tests\Browser;

use Wellspring\Core\Arrangement\Columns;

/** A module looks right in every slot and on every ground. */
final class SlotsTest extends BrowserTestCase
{
    private const WINDOWS = [320, 390, 768, 1280, 1920];

    /** Shares of the slots of each band. */
    private const BANDS = [[12], [9, 3], [4, 4, 4], [3, 3, 3, 3], [6, 6], [5, 7]];

    /** What each band stands on. */
    private const GROUNDS = ['paper', 'bed', 'ink', 'leaf', 'copper', 'picture'];

    private const ARRANGEMENTS = [
        'grid' => ['as' => 'grid', 'columns' => ['phone' => 2, 'tablet' => 4, 'laptop' => 4, 'desktop' => 6]],
        'masonry' => ['as' => 'masonry', 'columns' => ['phone' => 2, 'tablet' => 3, 'laptop' => 4, 'desktop' => 5]],
        'wall' => ['as' => 'wall', 'captions' => true],
        'links' => ['as' => 'links', 'columns' => ['phone' => 2, 'tablet' => 3, 'laptop' => 4, 'desktop' => 4]],
        'list' => ['as' => 'list', 'picture' => 'left'],
        'spotlight' => ['as' => 'spotlight', 'picture' => 'left'],
        'slideshow' => ['as' => 'slideshow'],
        'ticker' => ['as' => 'ticker'],
        'table' => ['as' => 'table'],
    ];

    public function test_every_arrangement_stays_in_its_slot_and_has_the_columns_that_fit(): void
    {
        foreach (self::ARRANGEMENTS as $key => $arrange) {
            $this->apply('modules', [
                'key' => "in-slots-{$key}", 'name' => ucfirst($key), 'source' => ['items' => ['product']],
                'order' => [['by' => 'title']], 'page' => ['mode' => 'fixed', 'size' => 8], 'arrange' => $arrange,
                'card' => ['lines' => [
                    ['parts' => [['part' => 'picture']]], ['parts' => [['part' => 'title']]],
                    ['parts' => [
                        ['part' => 'price'], ['part' => 'field', 'field' => 'height'],
                        ['part' => 'terms', 'taxonomy' => 'groups'],
                    ]],
                ]],
            ]);
            $this->apply('pages', [
                'key' => "in-slots-{$key}", 'address' => "/in-slots/{$key}", 'title' => ucfirst($key),
                'bands' => array_map(fn (array $shares, int $n): array => [
                    'key' => "band-{$n}", 'ground' => self::ground(self::GROUNDS[$n]),
                    'slots' => array_map(fn (int $share): array => [
                        'share' => $share, 'blocks' => [['module' => "in-slots-{$key}", 'heading' => 'In its slot']],
                    ], $shares),
                ], self::BANDS, array_keys(self::BANDS)),
            ]);
            $this->visit("/in-slots/{$key}");
            $this->assertContrast($key);
            foreach (self::WINDOWS as $window) {
                $this->devTools('Emulation.setDeviceMetricsOverride', [
                    'width' => $window, 'height' => 900, 'deviceScaleFactor' => 1, 'mobile' => false,
                ]);
                foreach (['ltr', 'rtl'] as $direction) {
                    $found = $this->measure($direction);
                    $this->assertSame([], $found['out'], "{$key} at {$window} px, {$direction}");
                    foreach ($key === 'grid' || $key === 'wall' ? $found['rows'] : [] as $row) {
                        $this->assertSame(
                            min(8, Columns::fitting($row['most'], $row['slot'], $row['gap'], 160)),
                            $row['across'],
                            "{$key} at {$window} px in a slot of {$row['slot']} px",
                        );
                    }
                }
            }
        }
        $this->devTools('Emulation.clearDeviceMetricsOverride');
    }

    /** Blocks about an item, blocks about nothing, and every control of a listing, on each ground. */
    public function test_every_block_and_every_control_can_be_read_on_every_ground(): void
    {
        $this->apply('modules', [
            'key' => 'on-grounds', 'name' => 'On grounds', 'source' => ['items' => ['product']],
            'page' => ['mode' => 'numbered', 'size' => 4], 'order' => [['by' => 'title']],
            'arrange' => ['as' => 'list'],
            'card' => ['lines' => [
                ['parts' => [['part' => 'picture'], ['part' => 'title']]],
                ['parts' => [
                    ['part' => 'price', 'badge' => 'Sale'],
                    ['part' => 'field', 'field' => 'height', 'label' => 'Height'],
                    ['part' => 'terms', 'taxonomy' => 'groups'], ['part' => 'rating'],
                ]],
                ['parts' => [['part' => 'button', 'text' => 'Look'], ['part' => 'link', 'text' => 'More of it']]],
            ]],
            'offer' => [
                'key' => 'grounds',
                'filters' => [
                    ['field' => 'groups', 'as' => 'tree'], ['field' => 'light', 'as' => 'checks'],
                    ['field' => 'price', 'as' => 'range'], ['field' => 'season', 'as' => 'buttons'],
                    ['field' => 'hardiness', 'as' => 'one'], ['field' => 'publish_at', 'as' => 'dates'],
                    ['field' => 'rooms', 'as' => 'tabs'], ['field' => 'title', 'as' => 'letters'],
                    ['field' => 'words', 'as' => 'search'],
                ],
                'orders' => [
                    ['key' => 'a-to-z', 'name' => 'A to Z', 'order' => [['by' => 'title']]],
                    ['key' => 'cheapest', 'name' => 'Cheapest', 'order' => [['by' => 'priceNow']]],
                ],
                'sizes' => [4, 8],
                'arrangements' => [['key' => 'grid', 'name' => 'Grid', 'arrange' => ['as' => 'grid']]],
            ],
        ]);
        $ofItem = [
            ['block' => 'breadcrumbs'], ['block' => 'pageTitle'], ['block' => 'pagePicture'], ['block' => 'pageText'],
            ['block' => 'field', 'fields' => ['rent', 'area', 'villages']], ['block' => 'map', 'field' => 'where'],
            ['block' => 'parts', 'card' => ['lines' => [
                ['parts' => [
                    ['part' => 'field', 'field' => 'rent', 'label' => 'Rent'],
                    ['part' => 'terms', 'taxonomy' => 'villages'],
                ]],
            ]]],
            ['block' => 'previousNext', 'order' => 'free-garden-plots'],
        ];
        $ofSite = [
            ['block' => 'heading', 'text' => 'A heading'], ['block' => 'menu', 'menu' => 'main'],
            ['block' => 'text', 'html' => '<h3>Words</h3><p>Some <a href="/">link</a>.</p><blockquote>It</blockquote>'],
            ['block' => 'searchBox'], ['block' => 'signIn'], ['block' => 'accountLinks'],
            ['block' => 'filters', 'of' => 'on-grounds'],
        ];
        $this->apply('pages', [
            'key' => 'on-grounds', 'address' => '/on-grounds/{plot}', 'title' => 'On grounds',
            'about' => ['item' => 'plot'],
            'bands' => array_map(fn (string $name): array => [
                'key' => $name, 'ground' => self::ground($name), 'slots' => [
                    ['share' => 4, 'blocks' => $ofItem],
                    ['share' => 4, 'blocks' => $ofSite],
                    ['share' => 4, 'blocks' => [['module' => 'on-grounds']]],
                ],
            ], self::GROUNDS),
        ]);
        $this->visit('/plots');
        $plot = $this->browser->executeScript(
            "return document.querySelector('main a[href^=\"/plots/\"]').pathname.split('/').pop()",
        );
        $this->assertIsString($plot);
        foreach (['', '?grounds-light=shade&grounds-season=spring', '?grounds-words=nothinglikethis'] as $choices) {
            $this->visit("/on-grounds/{$plot}{$choices}");
            $this->assertContrast("every block, {$choices}");
        }
    }

    /** @return array<string, string> */
    private static function ground(string $name): array
    {
        return $name === 'picture' ? ['picture' => 'group-ferns.webp'] : ['colour' => $name];
    }

    /**
     * @return array{out: list<string>, rows: list<array{slot: float, gap: float, across: int, most: int}>} what lies
     *   outside its slot or over something else; and the first row of each list
     */
    private function measure(string $direction): array
    {
        /** @var array{out: list<string>, rows: list<array{slot: float, gap: float, across: int, most: int}>} $found */
        $found = $this->browser->executeScript(<<<'JS'
            document.documentElement.dir = arguments[0];
            const out = [], rows = [];
            const root = document.documentElement;
            if (root.scrollWidth > root.clientWidth) out.push("the page is " + root.scrollWidth + " px wide");
            const box = (one) => one.getBoundingClientRect();
            for (const slot of document.querySelectorAll(".slot")) {
                const room = box(slot);
                const moving = slot.querySelector(".as-ticker, .as-slideshow, .ticker, .slideshow");
                for (const one of moving ? [] : slot.querySelectorAll(
                    ":is(.card, .part, img):not(.table-box *), .table-box, h2",
                )) {
                    const at = box(one);
                    if (at.width > 0 && (at.left < room.left - 1.5 || at.right > room.right + 1.5)) {
                        out.push(one.tagName + "." + one.className + " leaves its slot");
                    }
                }
                const cards = moving ? [] : [...slot.querySelectorAll(".card")].map(box);
                cards.forEach((a, i) => cards.slice(i + 1).forEach((b, j) => {
                    if (Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1.5
                        && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1.5) {
                        out.push("cards " + i + " and " + (i + 1 + j) + " overlap");
                    }
                }));
                const list = slot.querySelector(".cards");
                if (list && cards.length) {
                    const style = getComputedStyle(list);
                    rows.push({
                        slot: box(list).width, gap: parseFloat(style.columnGap) || 0,
                        most: Number(style.getPropertyValue("--across")) || 1,
                        across: cards.filter((one) => Math.abs(one.top - cards[0].top) < 2).length,
                    });
                }
            }
            return { out: [...new Set(out)].slice(0, 5), rows };
            JS, [$direction]);

        return $found;
    }
}
