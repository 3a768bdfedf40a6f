<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** How listings stand on the site: at every width, with scripts and without, by pointing and by keys, in every look. */
final class ArrangementsTest extends BrowserTestCase
{
    /** Pages of the demo that use all arrangements between them. */
    private const PAGES = ['/', '/gallery', '/journal', '/shop/prices', '/shop/a-to-z'];

    /** How much may move while a page loads: “good” is 0.1 on web.dev; asked for here is less. */
    private const SHIFT = 0.02;

    protected function tearDown(): void
    {
        $this->devTools('Emulation.setEmulatedMedia', ['features' => []]);
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => false]);
        parent::tearDown();
    }

    public function test_nothing_is_too_wide_and_nothing_moves_while_pictures_load(): void
    {
        foreach ([390, 820, 1280, 1600] as $width) {
            $this->width($width);
            foreach (self::PAGES as $page) {
                $this->visit($page);
                [$shift, $beyond, $shown] = $this->browser->executeAsyncScript(<<<'JS'
                    const done = arguments[arguments.length - 1];
                    let shift = 0;
                    new PerformanceObserver((list) => list.getEntries().forEach((one) => {
                        shift += one.hadRecentInput ? 0 : one.value;
                    })).observe({ type: 'layout-shift', buffered: true });
                    setTimeout(() => done([
                        shift,
                        document.documentElement.scrollWidth - document.documentElement.clientWidth,
                        document.querySelectorAll('main .card').length,
                    ]), 250);
                    JS);
                $this->assertLessThan(self::SHIFT, $shift, "{$page} at {$width}: what moves while it loads");
                $this->assertLessThanOrEqual(0, $beyond, "{$page} at {$width}: how far it goes beyond the width");
                $this->assertGreaterThan(5, $shown, "{$page} at {$width}");
            }
            $this->assertQuietConsole();
        }
    }

    public function test_masonry_stands_in_columns_that_go_on_where_more_is_loaded(): void
    {
        $this->width(1280);
        $this->visit('/gallery');
        $places = fn (): array => (array) $this->browser->executeScript(<<<'JS'
            return [...document.querySelectorAll('#places-drawn .card')].map((card) => {
                const box = card.getBoundingClientRect();
                return [Math.round(box.left), Math.round(box.top + scrollY)];
            });
            JS);
        $this->find('#places-drawn .is-laid');
        $before = $places();
        $this->assertCount(3, array_unique(array_column($before, 0)), 'three columns on a laptop');
        $tops = [];
        foreach ($before as [$left, $top]) {
            $this->assertGreaterThan($tops[$left] ?? -1, $top, 'in each column one stands below the other, in order');
            $tops[$left] = $top;
        }
        $this->browser->executeScript("document.querySelector('#places-drawn nav').scrollIntoView()");
        $after = $this->await('nothing more is loaded', function () use ($places, $before): ?array {
            $now = $places();

            return count($now) > count($before) ? $now : null;
        });
        $this->assertSame($before, array_slice($after, 0, count($before)), 'what stood there has not moved');
        $this->assertCount(3, array_unique(array_column($after, 0)));
    }

    public function test_a_slideshow_and_the_large_view_by_keys(): void
    {
        $this->width(1280);
        $this->visit('/');
        $at = fn (): int => (int) $this->browser->executeScript(
            "return document.querySelector('#days-out ul').scrollLeft",
        );
        $this->tabTo('#days-out ul');
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->await('the key moves nothing', fn (): ?bool => $at() > 400 ?: null);
        // On the way there the cards' own links come into sight, one after the other.
        $this->tabTo('#days-out [data-previous]');
        $before = $at();
        $this->keys(WebDriverKeys::ENTER);
        $this->await('the button does not go back', fn (): ?bool => $at() < $before - 200 ?: null);
        $this->assertAccessible('the home page with all that moves');

        $this->visit('/gallery');
        $names = array_slice((array) $this->browser->executeScript(
            "return [...document.querySelectorAll('a.large-view')].map((one) => one.dataset.caption)",
        ), 0, 3);
        $this->tabTo('a.large-view');
        $this->keys(WebDriverKeys::ENTER);
        $this->sees((string) $names[0], 'dialog[open]');
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->sees((string) $names[1], 'dialog[open]');
        $this->keys(WebDriverKeys::ARROW_LEFT);
        $this->sees((string) $names[0], 'dialog[open]');
        $this->assertAccessible('the large view');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->await('it does not close', fn (): ?bool => $this->browser->executeScript(
            "return document.querySelector('dialog[open]') === null && document.activeElement.matches('a.large-view')",
        ) ?: null);
        $this->assertQuietConsole();
    }

    public function test_a_table_is_sorted_by_its_heads_and_reads_on_a_phone(): void
    {
        $this->width(1280);
        $this->visit('/shop/prices');
        $prices = fn (): array => array_map(
            fn (string $text): float => (float) ltrim($text, '£'),
            (array) $this->browser->executeScript(
                "return [...document.querySelectorAll('#price-list .price')].map((one) => one.innerText.trim())",
            ),
        );
        $this->findText('#price-list th a', 'Price')->click();
        $this->sees('Price', '[aria-sort=ascending]');
        $up = $prices();
        $sorted = $up;
        sort($sorted);
        $this->assertSame($sorted, $up);
        $this->findText('#price-list th a', 'Price')->click();
        $this->sees('Price', '[aria-sort=descending]');
        $this->assertGreaterThan($prices()[5], $prices()[0]);
        $this->width(390);
        $label = $this->browser->executeScript(
            "return getComputedStyle(document.querySelector('td[data-label=Price]'), '::before').content",
        );
        $this->assertSame('"Price"', $label, 'each value has its name beside it');
        $this->assertAccessible('the table on a phone');
    }

    public function test_all_is_there_without_scripts_and_still_where_motion_is_not_welcome(): void
    {
        $this->width(1280);
        $this->devTools('Emulation.setEmulatedMedia', ['features' => [
            ['name' => 'prefers-reduced-motion', 'value' => 'reduce'],
        ]]);
        $this->visit('/');
        $state = "return [document.querySelectorAll('#headlines .card:not([hidden])').length,"
            ."document.querySelector('#days-out [data-pause]').hidden, document.querySelectorAll('.letter').length]";
        $this->assertSame([5, true, 0], $this->browser->executeScript($state), 'all headlines stand, nothing moves');
        $this->devTools('Emulation.setEmulatedMedia', ['features' => []]);
        $this->visit('/');
        $this->assertSame(1, $this->browser->executeScript($state)[0], 'where motion is welcome, one at a time');
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => true]);
        foreach (self::PAGES as $page) {
            $this->visit($page);
            // Scripts of the test itself run all the same.
            [$hidden, $cards] = $this->browser->executeScript(<<<'JS'
                const cards = [...document.querySelectorAll('main .card')];
                return [cards.filter((one) => one.getBoundingClientRect().height < 10).length, cards.length];
                JS);
            $this->assertSame(0, $hidden, "{$page} without scripts");
            $this->assertGreaterThan(5, $cards, "{$page} without scripts");
        }
    }

    public function test_right_to_left_all_is_the_other_way_round(): void
    {
        $this->width(1280);
        $this->visit('/');
        $found = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1];
            document.documentElement.dir = 'rtl';
            const at = (css) => document.querySelector(css).getBoundingClientRect();
            const first = () => at('#days-out .card').right - at('#days-out ul').right;
            setTimeout(() => {
                const before = Math.round(first());
                document.querySelector('#days-out [data-next]').click();
                setTimeout(() => done([
                    before,
                    first() > 100,
                    at('.site-name').left > at('.search-box').left,
                    at('#newest-in-the-shop .card').left > at('#newest-in-the-shop .card:nth-child(2)').left,
                    document.documentElement.scrollWidth <= document.documentElement.clientWidth,
                ]), 900);
            }, 200);
            JS);
        $this->assertSame([0, true, true, true, true], $found);
    }

    public function test_a_look_is_tried_on_made_live_and_taken_back(): void
    {
        $this->width(1280);
        $this->signIn('/manage/look/seed-packet');
        $this->sees('Every text on every ground');
        $this->findText('button.word', 'Bitter')->click();
        $this->choose('[role=dialog] select', 'fraunces');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('Fraunces');
        $this->assertAccessible('the look');
        $this->findText('button', 'Make it live')->click();
        $this->findText('button', 'Live');
        $font = "return getComputedStyle(document.querySelector('h1')).fontFamily";
        foreach (self::PAGES as $page) {
            $this->visit($page);
            $this->assertStringContainsString('Fraunces', (string) $this->browser->executeScript($font), $page);
        }
        $this->assertAccessible('the last of them in another look');
        $this->assertSame('', (string) $this->browser->executeScript(
            "return [...document.querySelectorAll('[style]')].map((one) => one.tagName + ' ' + one.style.cssText)"
                .".filter((one) => !one.includes('grid-row')).join()",
        ), 'no page has a style of its own');
        $this->visit('/manage/look/quillmoor');
        $this->findText('button', 'Make it live')->click();
        $this->findText('button', 'Live');
        $this->visit('/');
        $this->assertStringContainsString('Newsreader', (string) $this->browser->executeScript($font));
    }

    /** @param  array<string, mixed>  $parameters */
}
