<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A page laid out in its plan. */
final class PagesTest extends BrowserTestCase
{
    public function test_a_page_is_laid_out_looked_at_and_published(): void
    {
        $this->newPage('Spring', '/spring');
        $this->sees('Nothing stands on this page yet.');
        $this->findText('button', '+ a band')->click();
        $this->addModule(1, 1, 'Newest in the shop');
        $this->sees('6 now');
        $this->findText('button', '+ a band')->click();
        $this->splitBand(2, 'two to one');
        $this->addModule(2, 1, 'Latest from the journal');
        $this->addModule(2, 2, 'Coming up');
        $this->find('[aria-label="Between slot 1 and slot 2 of band 2"]')->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->findText('button', '+ a band')->click();
        $this->findText('section[aria-label="Band 3"] button', '+ a block')->click();
        $this->findText('[role=dialog] button', 'Heading')->click();
        $this->findText('section[aria-label="Band 3"] button', 'A heading without words')->click();
        $this->findText('[role=dialog] label', 'Heading')->findElement(WebDriverBy::tagName('input'))
            ->sendKeys('A heading');
        $this->findText('label', 'signed-out visitors')->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->findText('button', 'anyone')->click();
        $this->findText('[role=dialog] label', 'a member')->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('only for');
        $this->assertAccessible('the plan of a page');
        $this->sees('every change kept');
        $this->browser->navigate()->refresh();
        $this->sees('The heading “A heading”');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/spring');
        $this->assertCount(6, $this->titles('newest-in-the-shop'));
        $this->assertStringNotContainsString('A heading', $this->find('main')->getText(), 'who manages is a member');
        $this->browser->manage()->deleteAllCookies();
        $this->browser->navigate()->refresh();
        $this->sees('A heading');
        $this->assertSame(['9', '3'], $this->browser->executeScript(
            'return [...document.querySelectorAll(".slot")].slice(1, 3).map((one) => getComputedStyle(one).flexGrow)',
        ));
        $this->assertAccessible('a page of bands and slots');
        $this->assertQuietConsole();
    }

    public function test_one_page_serves_every_tag_of_the_journal(): void
    {
        $this->newPage('Tag', '/tags', 'every term of Tags');
        $this->findText('button', '+ a band')->click();
        foreach (['Breadcrumbs', 'The page’s title', 'The page’s text', 'The page’s picture'] as $block) {
            $this->findText('section[aria-label="Band 1"] button', '+ a block')->click();
            $this->findText('[role=dialog] button', $block)->click();
            $this->keys(WebDriverKeys::ESCAPE);
        }
        $this->sees('nothing to show');
        $this->findText('.bg-stage button', 'bees')->click();
        $this->type('input[aria-label="Seen as"]', 'seed');
        $this->findText('[role=option]', 'seed saving')->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->await('the page is not that of the other tag', fn (): ?bool => str_contains((string) $this->browser
            ->executeScript('return document.querySelector("iframe").contentDocument.body.innerText'), 'seed saving')
            ?: null);
        $this->sees('every change kept');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/tags/seed-saving');
        $this->assertSame('seed saving', $this->find('h1')->getText());
        $this->assertQuietConsole();
    }

    /** A home page with a welcome for some, and one page for all groups, without a pointer. */
    public function test_pages_are_laid_out_with_the_keyboard_alone(): void
    {
        $this->signIn('/manage/pages');
        $this->sees('What shows where');
        $this->newPageByKeys('Gate', '/gate');
        $this->addBandByKeys(1);
        $this->putByKeys(1, 1, 'Newest in the shop', true);
        $this->addBandByKeys(2, 'two to one');
        $this->putByKeys(2, 1, 'Latest from the journal', true);
        $this->putByKeys(2, 2, 'Coming up', true);
        $this->tabTo('[aria-label="Between slot 1 and slot 2 of band 2"]');
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->addBandByKeys(3);
        $this->putByKeys(3, 1, 'Heading');
        $this->tabTo('section[aria-label="Band 3"] button', 'A heading without words');
        $this->keys(WebDriverKeys::ENTER);
        $this->keys('A heading');
        $this->tabTo('[role=dialog] fieldset label:nth-of-type(2) input');
        $this->keys([WebDriverKeys::SPACE, WebDriverKeys::ESCAPE]);
        $this->publishByKeys();
        $this->visit('/gate');
        $this->assertCount(6, $this->titles('newest-in-the-shop'));
        $this->assertStringNotContainsString('A heading', $this->find('main')->getText(), 'who manages is a member');
        $this->assertSame(['9', '3'], $this->browser->executeScript(
            'return [...document.querySelectorAll(".slot")].slice(1, 3).map((one) => getComputedStyle(one).flexGrow)',
        ));

        $this->visit('/manage/pages');
        $this->sees('What shows where');
        $this->newPageByKeys('Kinds', '/kinds', 'every term of Plant groups');
        $this->addBandByKeys(1);
        foreach (['The page’s title', 'The page’s text', 'The page’s picture'] as $block) {
            $this->putByKeys(1, 1, $block);
        }
        $this->tabTo('section[aria-label="Band 1"] > div:first-child button', '1');
        $this->keys(WebDriverKeys::ENTER);
        $this->find('[role=dialog][aria-label="Band 1"]');
        $this->tabTo('[role=dialog][aria-label="Band 1"] label:first-of-type select');
        $this->keys('quiet');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->addBandByKeys(2);
        $this->putByKeys(2, 1, 'Plants of this group', true);
        $this->publishByKeys();
        $this->browser->manage()->deleteAllCookies();
        $this->visit('/kinds/ferns');
        $this->assertSame('Ferns', $this->find('h1')->getText());
        $this->sees('For the damp corner', '.band-quiet');
        $this->find('.band-quiet .block-picture img');
        $this->assertNotSame([], $this->titles('plants-of-this-group'));
        $this->visit('/gate');
        $this->sees('A heading');
        // Tab passes through the frame of the page, which runs no scripts and says so.
        $this->assertQuietConsole(["Blocked script execution in 'about:srcdoc'"]);
    }

    public function test_what_stands_on_the_real_page_opens_there_and_goes_to_another_page(): void
    {
        $this->newPage('Shelf', '/shelf');
        $this->findText('button', '+ a band')->click();
        $this->addModule(1, 1, 'Coming up');
        $this->sees('every change kept');
        $this->visit('/manage/pages/person');
        $block = fn (string $do): mixed => $this->browser->executeScript(
            'const page = document.querySelector("iframe")?.contentDocument;'
            .'const block = page?.querySelector("[data-block=\'0.1.1\']");'.$do,
        );
        $this->await(
            'the block has no place on the page',
            fn (): ?bool => $block('return block?.tabIndex === 0 || null'),
        );
        // What has the focus is named; Enter opens it, as a click does.
        $block('block.focus()');
        $this->sees('slot 2', '.page-names');
        $block('block.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }))');
        $this->findText('[role=dialog] label', 'members')->click();
        $this->sees('every change kept');
        $this->assertAccessible('a block that is open on the page');
        $this->type('[role=dialog] input[aria-label="Move to another page or into the frame"]', 'Shelf');
        $this->findText('[role=option]', 'Shelf')->click();
        $this->sees('Moved to the draft of “Shelf”.');
        $this->visit('/manage/pages/shelf');
        $this->sees('only for members', '[aria-label="Slot 1 of band 1"]');

        // A block that is dropped on the frame's line in the list goes to its last slot but one, after the body.
        $this->dragByKeys('block 1 of slot 1 of band 1', '[aria-label="The frame around all pages"]');
        $this->sees('Moved into the frame, after the body.');
        $this->findText('a', 'The frame around all pages')->click();
        $this->sees('Only on Shelf.', '[aria-label="After the body"]');
        $this->assertQuietConsole();
    }

    public function test_something_of_the_frame_stands_around_one_page_alone(): void
    {
        $this->signIn('/manage/pages');
        $this->sees('What shows where');
        $this->find('[aria-label="People of the garden on People: on it"]');
        $this->assertAccessible('the grid of modules against pages');
        $this->findText('a', 'The frame around all pages')->click();
        $this->findText('[aria-label="After the body"] button', '+ a block')->click();
        $this->findText('[role=dialog] button', 'Heading')->click();
        $this->findText('[aria-label="After the body"] button', 'Heading')->click();
        $this->type('[role=dialog] input.input', 'A heading');
        $this->findText('[role=dialog] button', 'Tick none')->click();
        $this->sees('On no page.', '[role=dialog]');
        $this->findText('[role=dialog] li label', '/people')->click();
        $this->sees('Only on People.', '[role=dialog]');
        $this->find('[aria-label="Tick People and all below it"]')->click();
        $this->sees('Only on People and all below it.', '[role=dialog]');
        $this->findText('[role=dialog] li label', '/people/{person}')->click();
        $this->sees('Only on People.', '[role=dialog]');
        $this->assertAccessible('an entry of the frame');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('every change kept');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/people');
        $this->sees('A heading', '.frame-after');
        $this->visit('/plots');
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('.frame-after')));
        $this->assertQuietConsole();
    }

    public function test_a_version_comes_back_and_a_removed_page_too(): void
    {
        $this->newPage('Orchard', '/orchard');
        foreach (['Apples', 'Pears'] as $words) {
            $this->findText('button', '+ a band')->click();
            $this->findText('section[aria-label^="Band"]:last-of-type button', '+ a block')->click();
            $this->findText('[role=dialog] button', 'Heading')->click();
            $this->findText('section[aria-label="Plan"] button', 'A heading without words')->click();
            $this->type('[role=dialog] input.input', $words);
            $this->keys(WebDriverKeys::ESCAPE);
            $this->sees("The heading “{$words}”");
            $this->sees('every change kept');
            $this->findText('button', 'Publish')->click();
            $this->findText('button', 'Published');
        }
        $this->findText('button', 'History')->click();
        $this->sees('Band band-2: the heading “Pears”', '[role=dialog]');
        $this->assertAccessible('the history of a page');
        $this->findText('[role=dialog] li:last-child button', 'Restore')->click();
        $this->await('the older version is not the draft', fn (): ?bool => str_contains(
            $this->find('section[aria-label="Plan"]')->getText(),
            'Pears',
        ) ? null : true);
        $this->sees('every change kept');
        $this->findText('button', 'Remove')->click();
        $this->findText('[role=dialog] button', 'Remove the page')->click();
        $this->sees('Removed “Orchard”');
        $this->findText('button', 'Undo')->click();
        $this->sees('Undone.');
        $this->findText('nav a', 'Orchard');
        $this->visit('/orchard');
        $this->sees('Pears');
        $this->assertQuietConsole();
    }

    public function test_a_menu_is_made_and_members_come_in_by_the_sign_in_box(): void
    {
        $this->newPage('For members', '/for-members');
        $this->findText('a', 'The menu “main”')->click();
        $this->findText('[aria-label="The menu main"] button', '+ an entry')->click();
        $this->type('[aria-label="Address"]', '/shop');
        $this->type('[aria-label="Called"]', 'To the till');
        $this->findText('button', 'Add the address')->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->findText('[aria-label="The menu main"] button', 'To the till')->click();
        $this->findText('[role=dialog] button', 'Move below the one before')->click();
        $this->sees('To the till', '[aria-label="The menu main"] ol ol');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->assertAccessible('a menu');
        $this->sees('every change kept');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');

        $this->visit('/people');
        $this->await('the entry is not in the menu', fn (): ?bool => $this->browser->executeScript(
            'return document.querySelector(".site-head ul ul a")?.textContent === "To the till" || null',
        ));
        $this->findText('.site-head a', 'Your account')->click();
        $this->findText('button', 'Sign out')->click();
        $this->findText('.site-head a', 'Sign in')->click();
        $this->assertAccessible('signing in on the site');
        $this->find('main [name=email]')->sendKeys('linnet.carew@quillmoor.example');
        $this->find('main [name=password]')->sendKeys(DemoAccounts::PASSWORD);
        $this->findText('main button', 'Sign in')->click();
        $this->findText('.site-head a', 'Your account')->click();
        $this->sees('Linnet Carew');
        $this->assertQuietConsole();
    }

    private function newPage(string $title, string $address, string $about = ''): void
    {
        $this->signIn('/manage/pages');
        $this->findText('button', '+ a page')->click();
        $field = fn (string $label) => $this->findText('label', $label)->findElement(WebDriverBy::tagName('input'));
        $field('Title')->sendKeys($title);
        $field('Address')->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, $address]);
        if ($about !== '') {
            $this->type('input[aria-label="One page for"]', $about);
            $this->findText('[role=option]', $about)->click();
        }
        $this->findText('button', 'Add the page')->click();
        $this->sees('in the menu');
    }

    private function newPageByKeys(string $title, string $address, string $about = ''): void
    {
        $this->tabTo('button', '+ a page');
        $this->keys(WebDriverKeys::ENTER);
        $this->sees('A new page');
        $this->tabTo('[role=dialog] form > label:nth-of-type(1) input');
        $this->keys($title);
        $this->sees('This address is free.');
        $this->tabTo('[role=dialog] form > label:nth-of-type(2) input');
        $this->keys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, $address]);
        if ($about !== '') {
            $this->tabTo('[role=dialog] input[placeholder="nothing but itself"]');
            $this->keys($about);
            $this->findText('[role=option]', $about);
            $this->keys(WebDriverKeys::ENTER);
        }
        $this->tabTo('[role=dialog] button', 'Add the page');
        $this->keys(WebDriverKeys::ENTER);
        $this->sees('in the menu');
    }

    private function addBandByKeys(int $number, string $shares = ''): void
    {
        $this->tabTo('button', '+ a band');
        $this->keys(WebDriverKeys::ENTER);
        $this->find("section[aria-label=\"Band {$number}\"]");
        if ($shares !== '') {
            $this->tabTo("section[aria-label=\"Band {$number}\"] button", (string) $number);
            $this->keys(WebDriverKeys::ENTER);
            $this->tabTo('[role=dialog] button', $shares);
            $this->keys([WebDriverKeys::ENTER, WebDriverKeys::ESCAPE]);
        }
    }

    private function putByKeys(int $band, int $slot, string $what, bool $isModule = false): void
    {
        $box = "[aria-label=\"Slot {$slot} of band {$band}\"]";
        $this->tabTo("{$box} button", '+ a block');
        $this->keys(WebDriverKeys::ENTER);
        $this->find('[role=dialog] [placeholder="find by name"]');
        if ($isModule) {
            $this->keys($what);
            $this->findText('[role=option]', $what);
        } else {
            $this->tabTo('[role=dialog] button', $what);
        }
        $this->keys([WebDriverKeys::ENTER, WebDriverKeys::ESCAPE]);
        $this->findText("{$box} [draggable=true]", $isModule ? $what : '');
    }

    private function publishByKeys(): void
    {
        $this->sees('every change kept');
        $this->tabTo('button', 'Publish');
        $this->keys(WebDriverKeys::ENTER);
        $this->findText('button', 'Published');
    }

    private function addModule(int $band, int $slot, string $name): void
    {
        $this->findText("[aria-label=\"Slot {$slot} of band {$band}\"] button", '+ a block')->click();
        $this->find('input[aria-label="A module"]')->sendKeys($name);
        $this->findText('[role=option]', $name)->click();
        $this->keys(WebDriverKeys::ESCAPE);
        $this->findText("section[aria-label=\"Band {$band}\"] button", $name);
    }

    private function splitBand(int $band, string $shares): void
    {
        $this->findText("section[aria-label=\"Band {$band}\"] button", (string) $band)->click();
        $this->findText('[role=dialog] button', $shares)->click();
        $this->keys(WebDriverKeys::ESCAPE);
    }
}
