<?php

declare(strict_types=1);

namespace Tests\Browser;

use Wellspring\Core\Arrangement\Columns;

/** A module looks right in every slot: nothing overlaps, nothing is wider than its slot, at every width. */
final class SlotsTest extends BrowserTestCase
{
    private const WINDOWS = [320, 768, 1280, 1920];

    /** Shares of the slots of each band. */
    private const BANDS = [[12], [9, 3], [4, 4, 4], [3, 3, 3, 3], [6, 6]];

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
                    'key' => "band-{$n}", 'slots' => array_map(fn (int $share): array => [
                        'share' => $share, 'blocks' => [['module' => "in-slots-{$key}", 'heading' => 'In its slot']],
                    ], $shares),
                ], self::BANDS, array_keys(self::BANDS)),
            ]);
            $this->visit("/in-slots/{$key}");
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
