<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Support\SlotPages;
use Wellspring\Core\Arrangement\Columns;

/** A module looks right in every slot and on every ground. */
final class SlotsTest extends BrowserTestCase
{
    use MeasuresShift;

    protected function tearDown(): void
    {
        $this->endMeasuring();
        parent::tearDown();
    }

    public function test_every_arrangement_stays_in_its_slot_and_has_the_columns_that_fit(): void
    {
        $this->beginMeasuring();
        foreach (SlotPages::all() as $key => ['module' => $module, 'page' => $page]) {
            $this->apply('modules', $module);
            $this->apply('pages', $page);
            $this->visit("/in-slots/{$key}");
            $this->assertContrast($key);
            $this->assertStill("/in-slots/{$key}", 768);
            $this->visit("/in-slots/{$key}");
            foreach (SlotPages::WINDOWS as $window) {
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
                'key' => $name, 'ground' => SlotPages::ground($name), 'slots' => [
                    ['share' => 4, 'blocks' => $ofItem],
                    ['share' => 4, 'blocks' => $ofSite],
                    ['share' => 4, 'blocks' => [['module' => 'on-grounds']]],
                ],
            ], SlotPages::GROUNDS),
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

    /**
     * @return array{out: list<string>, rows: list<array{slot: float, gap: float, across: int, most: int}>} what lies
     *   outside its slot or over something else; and the first row of each list
     */
    private function measure(string $direction): array
    {
        /** @var array{out: list<string>, rows: list<array{slot: float, gap: float, across: int, most: int}>} $found */
        $found = $this->browser->executeScript(SlotPages::script(), [$direction]);

        return $found;
    }
}
