<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Tests\Support\WebClient;

/** What visitors do on the site, and managers with all modules at once. */
final class SiteTest extends BrowserTestCase
{
    public function test_a_listing_grows_in_place_and_the_foot_of_the_page_can_be_reached(): void
    {
        $this->signIn();
        $name = 'Growing '.bin2hex(random_bytes(3));
        $key = strtolower(str_replace(' ', '-', $name));
        $this->newModule($name, 'The newest products');
        $this->find('[data-at="page.mode"]')->click();
        $this->type('[aria-label="How many at a time"]', '20');
        $this->choose('[aria-label="How visitors get to the rest"]', 'continuous');
        $this->type('[aria-label="How often it goes on by itself"]', '1');
        $this->findText('section label', 'at most')->click();
        $this->type('[aria-label="At most in all"]', '50');
        $this->find('[data-at="order[0].by"]')->click();
        $this->choose('[aria-label="Key 1: by"]', 'title');
        $this->choose('[aria-label="Key 1: direction"]', 'up');
        $this->publishOn('/plots');
        $all = $this->shownBy($key);

        // Once by itself when the end comes into sight, then by the link, without leaving the page.
        $this->visit('/plots');
        $first = $this->titles($key);
        $this->assertSame(array_slice($all, 0, 20), array_slice($first, 0, 20));
        $this->scrollTo("#{$key} nav");
        $this->await(
            'it does not go on by itself',
            fn (): ?bool => $this->titles($key) === array_slice($all, 0, 40) ?: null,
        );
        $this->scrollTo("#{$key} nav");
        $this->answered();
        $this->assertSame(
            [50, 40],
            [count($all), count($this->titles($key))],
            'it goes on by itself only as often as it was told',
        );
        $this->find("#{$key} nav a[rel=next]")->click();
        $this->await('the link does not bring the rest', fn (): ?bool => $this->titles($key) === $all ?: null);
        $this->assertStringContainsString(
            $all[40],
            (string) $this->browser->executeScript('return document.activeElement.closest("li")?.textContent'),
            'the focus goes on to the first that came',
        );
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector("#{$key} nav a[rel=next]")));
        $this->assertStringEndsWith('/plots', (string) $this->browser->getCurrentURL());
        $this->assertAccessible('a listing that grew');
        $this->assertQuietConsole();
    }

    /** Some pages that are for themselves, and one of each kind, in turn on a phone and on a laptop. */
    public function test_pages_of_every_kind_are_accessible(): void
    {
        $this->visit('/people');
        $addresses = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1];
            const of = async (path) => [...new DOMParser().parseFromString(await (await fetch(path)).text(), 'text/xml')
                .querySelectorAll('loc')].map((one) => new URL(one.textContent).pathname);
            of('/sitemap.xml').then(async (parts) => {
                const found = [];
                for (const part of parts) {
                    const all = await of(part);
                    found.push(...(all.slice(0, part.includes('/pages') ? 3 : 1)));
                }
                done([...new Set([...found, '/search?q=fern', '/account/sign-in', '/nothing'])]);
            });
            JS);
        $this->assertGreaterThan(14, count($addresses));
        foreach ([390, 1280] as $i => $width) {
            $this->width($width);
            foreach ($addresses as $n => $address) {
                if ($n % 2 === $i) {
                    $this->visit($address);
                    $this->assertAccessible("{$address} at {$width}");
                }
            }
        }
    }

    public function test_the_block_for_authors_can_be_read_and_its_place_in_the_plan_says_who_sees_it(): void
    {
        $this->signIn('/manage/pages/people');
        $this->findText('main button, #manage button', '+ a block')->click();
        $this->findText('[role=dialog] button', 'For authors')->click();
        $this->sees('only authors and managers see it');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/people');
        $this->findText('.for-authors a', 'Write a new post');
        $this->assertAccessible('a page with the block for authors');
        $this->browser->manage()->deleteAllCookies();
        $this->visit('/people');
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('.for-authors')));
    }

    public function test_a_visitor_finds_by_words_of_the_title_the_text_and_the_term(): void
    {
        $this->visit('/search');
        $this->find('main input[type=search]')->sendKeys("woodland\n");
        $this->sees('found for');
        $this->assertStringContainsString('q=woodland', (string) $this->browser->getCurrentURL());
        $this->find('main input[type=search]')->clear();
        $this->find('main input[type=search]')->sendKeys("no-such-word-here\n");
        $this->sees('Nothing on this site holds');
        $this->assertAccessible('a search that finds nothing');
        $this->assertQuietConsole();
    }

    public function test_modules_are_found_switched_off_together_and_taken_back(): void
    {
        $this->signIn();
        $this->find('[aria-label="Find modules"]')->sendKeys('garden plots filled');
        $this->choose('[aria-label=State]', 'live');
        $this->sees('Free garden plots');
        foreach (['Free garden plots', 'People of the garden'] as $name) {
            $this->type('[aria-label="Find modules"]', $name);
            $this->find("[aria-label=\"Choose {$name}\"]")->click();
        }
        $this->sees('2 modules chosen');
        $this->findText('button', 'Switch off')->click();
        $this->sees('No modules found.');
        $this->visit('/plots');
        $this->assertStringNotContainsString('Free garden plots', $this->find('main')->getText());
        $this->browser->navigate()->back();
        $this->type('[aria-label="Find modules"]', 'garden');
        $this->choose('[aria-label=State]', 'off');
        $this->find('[aria-label="Choose Free garden plots"]')->click();
        $this->find('[aria-label="Choose People of the garden"]')->click();
        $this->findText('button', 'Switch on')->click();
        $this->choose('[aria-label=State]', 'live');
        $this->find('[aria-label="Choose Free garden plots"]')->click();
        $this->findText('button', 'Remove…')->click();
        $this->sees('visitors will no longer see it there');
        $this->assertAccessible('what removing would do');
        $this->find('.btn-secondary')->click();
        $this->sees('Removed “');
        $this->findText('button', 'Undo')->click();
        $this->sees('Undone.');
        $this->visit('/plots');
        $this->sees('Free garden plots');

        $this->visit('/manage/modules');
        $this->find('[aria-label="Find modules"]')->sendKeys('free garden');
        $this->findText('button', 'Duplicate')->click();
        $this->sees('When nothing is left');
        $this->sees('on no page');
        $this->sees('Never published');
        $this->assertQuietConsole();
    }

    private function scrollTo(string $css): void
    {
        $this->browser->executeScript('document.querySelector(arguments[0])?.scrollIntoView({ block: "end" })', [$css]);
    }

    /**
     * All that the module shows, as the manage screens' own run has it.
     *
     * @return list<string> titles
     */
    private function shownBy(string $key): array
    {
        $this->visit('/manage/modules');
        $definition = $this->ask('GET', "/modules/{$key}")['definition'];
        $titles = [];
        for ($page = $pages = 1; $page <= $pages; $page++) {
            $answer = $this->ask(
                'POST',
                '/bench/results',
                ['definition' => $definition, 'fields' => [], 'page' => (string) $page],
            );
            $pages = $answer['pages'];
            array_push($titles, ...array_column((array) $answer['rows'], 'title'));
        }

        return $titles;
    }

    public function test_a_printed_page_has_all_the_content_and_nothing_to_click(): void
    {
        $this->width(1280);
        $this->visit('/');
        $this->find('.ticker.is-running');
        $this->devTools('Emulation.setEmulatedMedia', ['media' => 'print']);
        /** @var array{lines: int, hidden: int, shown: list<string>} $found */
        $found = $this->browser->executeScript(<<<'JS'
            const isShown = (one) => one.getClientRects().length > 0;
            const lines = [...document.querySelectorAll(".ticker .card")];
            return {
                lines: lines.length, hidden: lines.filter((one) => !isShown(one) || one.querySelector(".letter.not-yet")
                    && getComputedStyle(one.querySelector(".letter.not-yet")).visibility === "hidden").length,
                shown: [...document.querySelectorAll("button, input, select, nav, .choose, .controls, a.button")]
                    .filter(isShown).map((one) => one.outerHTML.slice(0, 60)),
            };
            JS);
        $this->devTools('Emulation.setEmulatedMedia', ['media' => '']);
        $this->assertGreaterThan(1, $found['lines']);
        $this->assertSame(0, $found['hidden'], 'every line of the ticker, and every letter');
        $this->assertSame([], $found['shown']);
    }

    public function test_a_listing_prints_the_records_of_all_its_pages(): void
    {
        $this->visit('/shop?shop-light=sun&shop-page=2');
        $this->browser->executeScript(
            'window.print = () => { document.title = "printed"; window.printed = '
                .'[...document.querySelectorAll("#plants .part.title")].map((one) => one.textContent.trim()); }',
        );
        $shown = count($this->titles('plants'));
        $total = (int) $this->browser->executeScript("return document.querySelector('.count').dataset.total");
        $this->findText('.print-all a', 'Print all')->click();
        $printed = $this->await(
            'it is not printed',
            fn (): ?array => $this->browser->executeScript('return window.printed'),
        );
        $this->assertCount($total, $printed);
        $this->assertCount($total, array_unique($printed), 'each once');
        $this->browser->executeScript('window.dispatchEvent(new Event("afterprint"))');
        $this->assertCount($shown, $this->titles('plants'), 'the screen is as it was');
    }

    /** The bar stands on a manager's page alone: never on another person's, never on one that is kept. */
    public function test_a_manager_edits_from_the_page_and_nobody_else_sees_how(): void
    {
        $this->signIn('/shop');
        $this->find('.manager-bar a[href="/manage/pages/shop"]');
        $this->findText('.manager-bar summary', 'Modules here');
        $this->assertAccessible('a page with the bar for managers');
        $this->browser->executeScript('document.querySelector(".manager-mark").focus()');
        $mark = $this->find('.manager-mark');
        $key = $mark->findElement(WebDriverBy::xpath('..'))->getAttribute('id');
        $mark->click();
        $this->find('ol[aria-label="The module as text"]');
        $this->assertStringEndsWith("/manage/modules/{$key}", (string) $this->browser->getCurrentURL());
        $this->visit('/shop');
        $this->find('#'.$key.' .card a')->click();
        $this->findText('.manager-bar a', 'Edit this item')->click();
        $this->sees('Where it shows');

        $reader = new WebClient((string) getenv('SITE_URL'));
        $reader->get('/shop');
        $again = $reader->get('/shop');
        $this->assertSame('hit', $again['headers']['x-page-cache'] ?? '');
        $this->assertStringNotContainsString('manager', $again['body']);
        $this->browser->manage()->deleteAllCookies();
        $this->visit('/shop');
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('.manager-bar, .manager-mark')));
        $this->assertQuietConsole();
    }
}
