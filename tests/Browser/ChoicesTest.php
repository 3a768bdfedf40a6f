<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What visitors choose: with scripts and without, by keyboard alone, on a laptop and on a phone. */
final class ChoicesTest extends BrowserTestCase
{
    protected function tearDown(): void
    {
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => false]);
        $this->devTools('Network.disable');
        parent::tearDown();
    }

    public function test_by_keyboard_alone_and_back_and_forward_through_ten_choices(): void
    {
        $this->width(1280);
        $this->visit('/shop');
        // Each count says how many there will be; what is chosen stays under the focus and is told.
        $addresses = [$this->query()];
        foreach ([
            ['shop-groups', 'perennials'], ['shop-light', 'shade'], ['shop-light', 'half-shade'],
        ] as [$name, $value]) {
            $box = "input[name={$name}][value={$value}]";
            $isFirst = ! str_contains($this->query(), $name);
            $count = $this->script(
                "return document.querySelector('{$box}').closest('label').innerText.match(/\\d+$/)[0]",
            );
            $this->tabTo($box);
            $this->keys(WebDriverKeys::SPACE);
            $this->settled($addresses);
            $isFirst && $this->assertSame((string) $count, $this->total(), "as many as {$value} said");
            $this->assertSame($value, $this->script('return document.activeElement.value'), 'the focus has stayed');
            $this->sees($this->script("return document.querySelector('.count').innerText"), '#announced');
        }
        $this->assertSame('?shop-groups=perennials&shop-light=half-shade,shade', $this->query(), 'canonical');
        $this->assertAccessible('the shop, narrowed');

        // A slider goes by arrow keys (WAI-ARIA Authoring Practices, Slider); its boxes and the address follow.
        $low = '.filter-range[data-filter=price] input[type=range]';
        $this->tabTo($low);
        $before = (float) $this->script("return document.querySelector('{$low}').value");
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->settled($addresses);
        $this->assertGreaterThan($before, (float) $this->script("return document.querySelector('{$low}').value"));
        $this->assertStringContainsString('shop-price=', $this->query());
        foreach ([['sort', 'cheapest'], ['size', '24'], ['sort', 'tallest'], ['sort', 'cheapest']] as [$name, $value]) {
            $this->choose("select[name=shop-{$name}]", $value);
            $this->settled($addresses);
        }
        $this->findText('.tool-arrangements a', 'List')->click();
        $this->settled($addresses);
        $this->find('#plants-results .as-list');
        $this->findText('.chosen a', 'Perennials')->click();
        $this->settled($addresses);
        $this->assertCount(11, $addresses, 'ten choices');
        $shown = $this->shown();
        foreach (array_reverse(array_slice($addresses, 0, 10)) as $address) {
            $this->browser->navigate()->back();
            $this->leadsTo($address);
        }
        $this->await('all plants do not come back', fn (): ?bool => (int) $this->total() === 60 ?: null);
        foreach (array_slice($addresses, 1) as $address) {
            $this->browser->navigate()->forward();
            $this->leadsTo($address);
        }
        $this->await('what was chosen last does not come back', fn (): ?bool => $this->shown() === $shown ?: null);
        $this->findText('.chosen a', 'clear all')->click();
        $this->await('nothing is cleared', fn (): ?bool => (int) $this->total() === 60 ?: null);
        $this->assertQuietConsole();
    }

    public function test_without_scripts_the_form_and_the_links_do_the_same(): void
    {
        $this->width(1280);
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => true]);
        $this->visit('/shop');
        $this->find('input[name=shop-light][value=shade]')->click();
        $this->find('input[name=shop-light][value=half-shade]')->click();
        $this->find('.filter-range[data-filter=price] input[type=number]')->sendKeys('5');
        $this->find('#shop-filters .choose-button')->click();
        $this->sees('Half shade or Shade', '.chosen');
        $this->leadsTo('?shop-light=half-shade,shade&shop-price=5..');
        $this->choose('select[name=shop-sort]', 'cheapest');
        $this->find('.tool-submit')->click();
        $this->leadsTo('?shop-light=half-shade,shade&shop-price=5..&shop-sort=cheapest');
        $this->findText('.chosen a', 'Price from £5')->click();
        $this->leadsTo('?shop-light=half-shade,shade&shop-sort=cheapest');

        // A search form on another page leads to the listing with what was chosen.
        $this->visit('/');
        $this->find('.search-form input[value=quillmoor]')->click();
        $this->find('.search-form .choose-button')->click();
        $this->sees('Quillmoor', '.chosen');
        $this->assertStringContainsString('/plots?plots-villages=quillmoor', $this->address());
    }

    public function test_on_a_phone_the_filters_are_a_drawer(): void
    {
        $this->width(390);
        $this->visit('/shop');
        $isShown = fn (): bool => (bool) $this->script(
            "return document.querySelector('.choose').getClientRects().length > 0",
        );
        $this->assertFalse($isShown());
        $this->tabTo('.open-filters');
        $this->keys(WebDriverKeys::ENTER);
        $this->find('dialog.drawer[open] .choose');
        $this->assertAccessible('the drawer');
        $this->tabTo('input[name=shop-light][value=sun]');
        $this->keys(WebDriverKeys::SPACE);
        $this->leadsTo('?shop-light=sun');
        $this->sees($this->total(), '.choose .choose-button');
        $this->assertTrue($this->script("return document.querySelector('.choose').contains(document.activeElement)"));
        // The browser's own dialog keeps the focus: Tab reaches nothing of the page behind it.
        foreach (range(1, 4) as $n) {
            $this->keys([WebDriverKeys::SHIFT, WebDriverKeys::TAB]);
            $this->assertTrue($this->script(
                "return document.activeElement === document.body
                    || document.querySelector('.choose').contains(document.activeElement)",
            ));
        }
        $this->keys(WebDriverKeys::ESCAPE);
        $this->await('it does not close', fn (): ?bool => $this->script(
            "return document.activeElement.matches('.open-filters')
                && document.querySelector('dialog') === null",
        ) ?: null);
        $this->assertLessThanOrEqual(0, $this->script(
            'return document.documentElement.scrollWidth - document.documentElement.clientWidth',
        ), 'nothing is too wide');
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => true]);
        $this->visit('/shop');
        $this->find('.open-filters')->click();
        $this->find('.choose:target');
        $this->find('.close-filters')->click();
        $this->assertFalse($isShown(), 'without scripts, too');
    }

    public function test_filters_in_a_narrow_slot_are_equally_wide_and_open_as_a_drawer_on_a_phone(): void
    {
        $this->apply('modules', [
            'key' => 'narrow', 'name' => 'Narrow', 'source' => ['items' => ['product']], 'page' => ['size' => 6],
            'offer' => ['key' => 'narrow', 'stand' => 'apart', 'filters' => [
                ['field' => 'light', 'as' => 'checks'], ['field' => 'price', 'as' => 'range'],
                ['field' => 'season', 'as' => 'buttons'], ['field' => 'height', 'as' => 'numbers', 'last' => 3],
                ['field' => 'rooms', 'as' => 'tabs'],
            ]],
            'card' => ['lines' => [['parts' => [['part' => 'title']]]]],
        ]);
        $this->apply('pages', ['key' => 'narrow', 'address' => '/narrow', 'title' => 'Narrow', 'bands' => [
            ['key' => 'body', 'slots' => [
                ['share' => 4, 'blocks' => [['block' => 'breadcrumbs'], ['block' => 'filters', 'of' => 'narrow']]],
                ['share' => 8, 'blocks' => [['module' => 'narrow']]],
            ]],
        ]]);
        $this->width(1280);
        $this->visit('/narrow?narrow-price=..300000');
        /** @var array{widths: list<int>, room: float, sign: string, cut: list<string>} $found */
        $found = $this->script(<<<'JS'
            const box = (css) => document.querySelector(css).getBoundingClientRect();
            const [, one] = document.querySelectorAll(".ends input[type=number]");
            return {
                widths: [...new Set([...document.querySelectorAll(".filters-block .filter")]
                    .map((one) => Math.round(one.getBoundingClientRect().width)))],
                room: box(".filters-block").top - box(".breadcrumbs").bottom,
                sign: one.closest("label").innerText,
                cut: one.value === "300000" && one.scrollWidth <= one.clientWidth ? [] : [one.value],
            };
            JS);
        $this->assertCount(1, $found['widths'], 'all are equally wide');
        $this->assertGreaterThan(8, $found['room']);
        $this->assertStringContainsString('£', $found['sign']);
        $this->assertSame([], $found['cut']);
        $this->visit('/narrow');
        $this->findText('.filter-numbers a', '2+')->click();
        $this->leadsTo('?narrow-height=2');
        $this->findText('.filter-tabs a', 'Fern dell')->click();
        $this->sees('Height 2+', '.chosen');
        $this->assertStringNotContainsString('Fern dell', (string) $this->script(
            "return document.querySelector('.chosen').innerText",
        ), 'tabs show their choice themselves');
        $this->width(390);
        $this->visit('/narrow');
        $this->assertSame(0, $this->script(
            "return document.querySelector('.filters-block .filter').getClientRects().length",
        ));
        $this->find('.open-filters')->click();
        $this->find('dialog.drawer[open] .filter-range');
    }

    public function test_a_server_that_answers_late_wrongly_or_not_at_all(): void
    {
        $this->width(1280);
        $this->visit('/shop');
        $network = $this->network(...);
        $box = fn (string $value): string => "input[name=shop-light][value={$value}]";
        // Two choices before the first is answered: the answer to the first is dropped.
        $network(700, false);
        $this->find($box('sun'))->click();
        $this->find('.results.is-waiting');
        $this->find($box('shade'))->click();
        $this->leadsTo('?shop-light=sun,shade');
        $this->await('it goes on waiting', fn (): ?bool => $this->script(
            "return document.querySelector('.is-waiting') === null",
        ) ?: null);
        $total = $this->total();
        // Nothing comes: it is said, nothing is lost, and trying again makes it good.
        $network(0, true);
        $this->find($box('half-shade'))->click();
        $this->sees('This could not be loaded', '.choice-fault[role=alert]');
        $this->assertSame($total, $this->total());
        $network(0, false);
        $this->find('.choice-fault button')->click();
        $this->leadsTo('?shop-light=sun,half-shade,shade');
        // Who has closed the drawer before the answer comes stays where the focus went.
        $this->width(390);
        $this->visit('/shop');
        $this->find('.open-filters')->click();
        $network(700, false);
        $this->find($box('sun'))->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->findText('.open-filters', 'Filters (1)');
        $this->assertTrue($this->script("return document.activeElement.matches('.open-filters')"));
        $network(0, false);
        $this->width(1280);
        // A page that is no longer there is none.
        $this->script("document.querySelector('#plants .pages a').search = '?plants-page=99'");
        $this->find('#plants .pages a')->click();
        $this->sees('There is nothing at this address', 'h1');
        $this->visit('/shop');
        // A page of errors in place of the answer is none.
        $this->browser->executeScript("const own = window.fetch; window.fetch = (address, options) => {
            window.fetch = own;
            return Promise.resolve(new Response('<h1>Broken</h1>', {
                status: 500, headers: { 'Content-Type': 'text/html' },
            }));
        };");
        $this->find($box('sun'))->click();
        $this->sees('This could not be loaded', '.choice-fault');
        $this->assertStringNotContainsString('Broken', $this->find('body')->getText());
        $this->browser->manage()->getLog('browser');
    }

    public function test_what_is_chosen_or_typed_while_an_answer_is_on_its_way_holds(): void
    {
        $this->width(1280);
        $this->visit('/shop');
        $choose = fn (string $light) => $this->find("input[name=shop-light][value={$light}]")->click();
        $layout = fn (string $name) => $this->findText('.tool-arrangements a', $name)->click();
        // A link made before a choice says nothing of it, nor does a form of what a link leads to.
        $this->late(fn () => [$choose('sun'), $layout('List')]);
        $this->leadsTo('?shop-light=sun&shop-as=list');
        $this->late(fn () => [$layout('Grid'), $choose('shade')]);
        $this->leadsTo('?shop-light=sun,shade');

        // Half a number is typed when the answer to the other comes.
        $price = '.filter-range[data-filter=price] input';
        $this->late(function () use ($price): void {
            $this->find("{$price}[type=number]")->sendKeys(['3', WebDriverKeys::TAB]);
            $this->keys('1');
        });
        $this->leadsTo('?shop-light=sun,shade&shop-price=3..');
        $this->keys(['2', WebDriverKeys::TAB]);
        $this->leadsTo('?shop-light=sun,shade&shop-price=3..12');
        // A whole one is, and its box is left when the answer has come.
        $this->late(fn () => [$choose('half-shade'), $this->find("{$price}[type=number]")->sendKeys([
            WebDriverKeys::END, WebDriverKeys::BACKSPACE, '4',
        ])]);
        $this->leadsTo('?shop-light=sun,half-shade,shade&shop-price=3..12');
        $this->keys([WebDriverKeys::TAB]);
        $this->leadsTo('?shop-light=sun,half-shade,shade&shop-price=4..12');

        // It stays through two answers, of which neither is told of it.
        $this->late(fn () => [$choose('half-shade'), $layout('List'), $this->find("{$price}[type=number]")->sendKeys([
            WebDriverKeys::END, WebDriverKeys::BACKSPACE, '5',
        ])]);
        $this->leadsTo('?shop-light=sun,shade&shop-price=4..12&shop-as=list');
        $this->keys([WebDriverKeys::TAB]);
        $this->leadsTo('?shop-light=sun,shade&shop-price=5..12&shop-as=list');

        // A handle is held when the answer to the other comes, and moved when it has.
        $this->visit('/shop');
        $at = fn (): array => (array) $this->script("const all = document.querySelectorAll('{$price}[type=range]');
            all[0].scrollIntoView({ block: 'center' });
            const box = all[0].getBoundingClientRect();
            return [box.left + 8, box.right - 8, box.top + box.height / 2, Number(all[1].value)]");
        [$left, $right, $y] = $at();
        $this->late(function () use ($left, $right, $y): void {
            $this->mouse('mousePressed', $left, $y);
            $this->mouse('mouseMoved', $left + 20, $y);
            $this->mouse('mouseReleased', $left + 20, $y);
            $this->mouse('mousePressed', $right, $y);
            $this->mouse('mouseMoved', $right - 20, $y);
        });
        $before = $at()[3];
        $this->mouse('mouseMoved', $right - 80, $y);
        $this->mouse('mouseReleased', $right - 80, $y);
        $this->await(
            'both ends are not chosen',
            fn (): ?bool => preg_match('/=.+\.\..+/', $this->query()) === 1 ?: null,
        );
        $this->assertLessThan($before, $at()[3], 'the handle has stayed in the hand');
        $this->assertQuietConsole();
    }

    public function test_who_comes_back_finds_what_the_address_and_the_form_say(): void
    {
        $this->width(1280);
        // A window that another can reach into makes its pages anew, and fills their controls as they were left.
        $this->visit('/shop');
        $first = $this->browser->getWindowHandle();
        $this->browser->executeScript("window.open('/shop')");
        $windows = array_diff($this->browser->getWindowHandles(), [$first]);
        $this->browser->switchTo()->window((string) reset($windows));
        $this->width(1280);
        $this->late(function (): void {
            $this->find('input[name=shop-light][value=sun]')->click();
            $this->script("document.querySelector('#plants .card a').click()");
            $this->await('it leads nowhere', fn (): ?bool => ! str_ends_with($this->address(), '/shop') ?: null);
        });
        $this->browser->navigate()->back();
        $this->await('all do not stand there', fn (): ?bool => $this->total() === '60' ?: null);
        $isAnew = 'return performance.getEntriesByType("navigation")[0].type === "back_forward"';
        $this->assertTrue($this->script($isAnew));
        $this->assertFalse($this->script('return document.querySelector("input[name=shop-light][value=sun]").checked'));

        $this->visit('/');
        $this->find('.search-form input[value=quillmoor]')->click();
        $button = fn (): string => $this->find('.search-form .choose-button')->getText();
        $all = $button();
        $this->await('it does not say how many', fn (): ?bool => $button() !== $all ?: null);
        $some = $button();
        $this->find('.search-form .choose-button')->click();
        $this->sees('Quillmoor', '.chosen');
        $this->browser->navigate()->back();
        $this->await('it says something else', fn (): ?bool => $button() === $some ?: null);
        $this->assertTrue($this->script($isAnew));
        $this->assertTrue($this->script('return document.querySelector(".search-form [value=quillmoor]").checked'));
        $this->browser->close();
        $this->browser->switchTo()->window($first);
    }

    public function test_more_is_loaded_until_it_stops_and_who_comes_back_finds_the_same_place(): void
    {
        $this->width(1280);
        $this->visit('/gallery');
        $cards = fn (): int => (int) $this->script("return document.querySelectorAll('#places-drawn .card').length");
        $first = $cards();
        for ($last = 0; $last !== $cards();) {
            $last = $cards();
            $this->script("document.querySelector('#places-drawn nav')?.scrollIntoView()");
            $this->answered();
            $this->await('it goes on loading', fn (): ?bool => $this->script(
                "return document.querySelector('#places-drawn nav[aria-busy]') === null",
            ) ?: null);
        }
        $this->assertGreaterThan($first, $last, 'it has gone on by itself');
        $this->script('scrollTo(0, document.body.scrollHeight)');
        $this->assertTrue($this->find('.site-foot')->isDisplayed());
        $this->assertTrue($this->script("const box = document.querySelector('.site-foot').getBoundingClientRect();
            return box.top < innerHeight"), 'the end of the page is reached');
        $card = $this->script("const all = document.querySelectorAll('#places-drawn .card a');
            all[all.length - 3].scrollIntoView({ block: 'center' }); return all[all.length - 3].getAttribute('href')");
        $scrolled = (int) $this->script('return scrollY');
        $this->script("document.querySelector('#places-drawn a[href=\"{$card}\"]').click()");
        $this->await('the link leads nowhere', fn (): ?bool => str_ends_with($this->address(), (string) $card) ?: null);
        $this->browser->navigate()->back();
        $this->await('it is not as long as it was', fn (): ?bool => $cards() === $last ?: null);
        $this->await('it is not at the same place', fn (): ?bool => abs((int) $this->script('return scrollY')
            - $scrolled) < 40 ?: null);

        // By a button, the focus goes on with the first that was added.
        $this->visit('/journal');
        $pieces = fn (): int => (int) $this->script(
            "return document.querySelectorAll('#from-the-journal .card').length",
        );
        $first = $pieces();
        $this->assertSame(12, $first);
        $this->tabTo('#from-the-journal a[rel=next]');
        $this->keys(WebDriverKeys::ENTER);
        $this->await('no more are added', fn (): ?bool => $this->script(
            "return document.querySelectorAll('#from-the-journal .card').length > 12
                && document.activeElement.closest('.card') !== null",
        ) ?: null);
        $this->sees('more', '#announced');
        $before = $pieces();
        $this->late(fn () => $this->script("const more = document.querySelector('#from-the-journal a[rel=next]');
            more.click();
            more.click()"));
        $this->await('no more are added', fn (): ?bool => $pieces() > $before ?: null);
        $this->assertSame($before + 12, $pieces(), 'two clicks bring one page');

        // Back from a choice, it is as long as it was, and at the same place.
        $longer = $pieces();
        $this->script("scrollTo({ top: document.body.scrollHeight - 1200, behavior: 'instant' })");
        $scrolled = (int) $this->script('return scrollY');
        $this->script("document.querySelector('#from-the-journal .filters li:nth-child(2) a').click()");
        $this->await('it is not narrowed', fn (): ?bool => $this->query() !== '' && $pieces() < $longer ?: null);
        $this->browser->navigate()->back();
        $this->await('it is not as long as it was', fn (): ?bool => $pieces() === $longer ?: null);
        $this->await('it is not at the same place', fn (): ?bool => abs((int) $this->script('return scrollY')
            - $scrolled) < 40 ?: null);
        $this->assertQuietConsole();
    }

    public function test_tabs_narrow_in_place_and_what_was_remembered_holds(): void
    {
        $this->width(1280);
        $this->visit('/gallery');
        $this->tabTo('.choice-tabs [role=tab][aria-selected=true]');
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $name = (string) $this->script('return document.activeElement.innerText.replace(/\\s*\\d+$/, "")');
        $count = (string) $this->script('return document.activeElement.innerText.match(/\\d+$/)[0]');
        $this->keys(WebDriverKeys::ENTER);
        $this->await('the tab narrows nothing', fn (): ?bool => $this->total('#pictures-of-plants') === $count ?: null);
        $this->assertStringContainsString($name, (string) $this->script('return document.activeElement.innerText'));
        $this->assertAccessible('the gallery, narrowed by room');
        // A picture that is open when the answer comes stays so until it is closed.
        $this->late(function (): void {
            $this->script("document.querySelector('#pictures-of-plants .choice-tabs a').click()");
            $this->find('#pictures-of-plants a.large-view')->click();
        });
        $this->find('#pictures-of-plants dialog[open]');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->leadsTo('');

        $this->visit('/shop?shop-sort=cheapest');
        $this->findText('[data-remember]', 'Remember this')->click();
        $this->findText('[data-remember]', 'Forget this');
        $this->visit('/shop');
        $this->leadsTo('?shop-sort=cheapest');
        $this->findText('[data-remember]', 'Forget this')->click();
        $this->visit('/shop');
        $this->sees('60', '.count');
        $this->assertSame('', $this->query());
        $this->assertSame([], $this->browser->manage()->getCookies(), 'and no cookie');
    }

    public function test_the_search_suggests_marks_and_offers_a_near_spelling(): void
    {
        $this->width(1280);
        $this->visit('/search');
        $this->find('.search-large [role=combobox]')->sendKeys('har');
        $this->sees('Hart’s-tongue fern', '.search-large [role=option]');
        $this->assertAccessible('suggestions');
        $this->keys(WebDriverKeys::ARROW_DOWN);
        $this->find('[role=option][aria-selected=true]');
        $this->keys(WebDriverKeys::ENTER);
        $this->await('it does not lead there', fn (): ?bool => str_ends_with(
            $this->address(),
            '/shop/harts-tongue-fern',
        ) ?: null);
        // Who has gone on is shown nothing.
        $this->visit('/search');
        $this->late(function (): void {
            $this->find('.search-large [role=combobox]')->sendKeys('har');
            $this->await('nothing is asked for', fn (): ?bool => $this->script('return window.held.size > 0') ?: null);
            $this->keys(WebDriverKeys::TAB);
        });
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('.search-large [role=option]')));
        $this->visit('/search?q=clemtis');
        $this->findText('.nothing a', 'clematis')->click();
        $this->sees('Clematis', '.found-list mark');
        $this->visit('/search?q=fern');
        $this->findText('.choice-buttons a', 'Products')->click();
        $this->sees('Products', '.choice-buttons [aria-current]');
        $this->assertAccessible('what was found');
        $this->assertQuietConsole();
    }

    public function test_on_the_bench_a_rule_becomes_what_visitors_choose_is_tried_out_and_goes_back(): void
    {
        $this->width(1280);
        $this->signIn();
        $this->newModule('Choosing '.bin2hex(random_bytes(3)), 'The newest products');
        $this->pickField('Add a condition', 'Light');
        $this->findText('[data-new-condition] button.chip', 'Shade')->click();
        $this->findText('section button', 'Let visitors choose')->click();
        $this->sees('Light by check boxes', '[data-rule=offer]');
        $left = fn (): string => (string) $this->script(
            "return document.querySelector('[data-rule=offer] .font-semibold').innerText",
        );
        $this->assertSame('60', $left());
        $inPage = "document.querySelector('iframe').contentDocument";
        $count = (string) $this->await('the filter is not on the page', fn (): ?string => $this->script(
            "return {$inPage}.querySelector('input[value=shade]')?.closest('label').querySelector('.n').innerText",
        ));
        $this->script("{$inPage}.querySelector('input[value=shade]').click()");
        $this->await('the step does not show it', fn (): ?bool => $left() === $count ?: null);
        $this->assertAccessible('the bench with a choice tried out');
        $this->find('[data-at="offer.filters[0]"]')->click();
        $this->findText('button', 'Make it a rule of the module')->click();
        $this->sees('Light is Shade', '[data-rule="where.all[0]"]');
        $this->sees('nothing', '[data-rule=offer]');
        $this->assertQuietConsole();
    }

    private function mouse(string $type, float $x, float $y): void
    {
        $this->devTools('Input.dispatchMouseEvent', [
            'type' => $type, 'x' => $x, 'y' => $y, 'button' => 'left', 'clickCount' => 1,
            'buttons' => $type === 'mouseReleased' ? 0 : 1,
        ]);
    }

    /** What the page asks for is answered when the work is done. */
    private function late(\Closure $work): void
    {
        $this->browser->executeScript(<<<'JS'
            const own = window.fetch;
            const held = window.held = new Set();
            window.fetch = (address, options) => new Promise((answer) => {
                const ask = () => held.delete(ask) && answer(own(address, options));
                held.add(ask);
                options?.signal?.addEventListener("abort", ask);
            });
            window.answer = () => {
                window.fetch = own;
                held.forEach((ask) => ask());
            };
            JS);
        $work();
        $this->browser->executeScript('window.answer?.()');
        $this->answered();
    }

    private function network(int $latency, bool $offline): void
    {
        $this->devTools('Network.enable');
        $this->devTools('Network.emulateNetworkConditions', [
            'offline' => $offline, 'latency' => $latency, 'downloadThroughput' => -1, 'uploadThroughput' => -1,
        ]);
    }

    private function script(string $script): mixed
    {
        return $this->browser->executeScript($script);
    }

    /** Waits until the address says what is chosen. */
    private function leadsTo(string $query): void
    {
        $this->await("it does not lead to “{$query}”", fn (): ?bool => $this->query() === $query ?: null);
    }

    private function query(): string
    {
        return (string) parse_url($this->address(), PHP_URL_QUERY) === ''
            ? ''
            : '?'.parse_url($this->address(), PHP_URL_QUERY);
    }

    private function address(): string
    {
        return explode('#', $this->browser->getCurrentURL())[0];
    }

    private function total(string $in = '#plants'): string
    {
        return (string) $this->script("return document.querySelector('{$in} .count').dataset.total");
    }

    /** All that the cards say. */
    private function shown(): string
    {
        return (string) $this->script("return document.querySelector('#plants .cards').innerText");
    }

    /**
     * Waits until another address says what is chosen.
     *
     * @param  list<string>  $addresses  those that were, to which it is added
     */
    private function settled(array &$addresses): void
    {
        $before = end($addresses);
        $addresses[] = $this->await('the address stays as it was', function () use ($before): ?string {
            $isWaiting = $this->script("return document.querySelector('.is-waiting') !== null");

            return $this->query() !== $before && ! $isWaiting ? $this->query() : null;
        });
    }
}
