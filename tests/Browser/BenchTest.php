<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** The bench, rule by rule. */
final class BenchTest extends BrowserTestCase
{
    public function test_a_module_is_changed_with_the_keyboard_alone(): void
    {
        $this->open('Keys', 'post');
        $this->tabTo('[data-at="page.size"]');
        $this->keys(WebDriverKeys::ENTER);
        $this->assertSame('How many at a time', $this->focused('aria-label'), 'what opens takes the focus');
        $this->keys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, '6']);
        $this->sees('6 at a time');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->assertSame('page.size', $this->focused('data-at'), 'closing gives it back');
        $this->tabTo('[data-at="arrange.as"]');
        $this->keys(WebDriverKeys::ENTER);
        $this->tabTo('button.chip[aria-pressed=false]');
        $this->keys(WebDriverKeys::SPACE);
        $this->sees('List');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->keys([WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL]);
        $this->sees('Grid, 4 across on desktop');
        $this->keys([WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, 'z', WebDriverKeys::NULL]);
        $this->sees('List');
        $this->sees('every change kept');
        $this->browser->navigate()->refresh();
        $this->sees('List');
        $this->sees('6 at a time');
        $this->assertQuietConsole();
    }

    public function test_the_page_beside_the_rules_is_the_real_one_and_can_be_paged(): void
    {
        $this->open('Paging', 'product');
        $this->find('[data-at="order[0].by"]')->click();
        $this->choose('[aria-label="Key 1: by"]', 'title');
        $this->choose('[aria-label="Key 1: direction"]', 'up');
        $this->find('[data-at="page.size"]')->click();
        $this->type('[aria-label="How many at a time"]', '3');
        $this->previewShows('Autumn crocus', 'Barrenwort', 'Blue plantain lily');
        $this->sees('Page 1 of 2');
        $this->browser->executeScript(
            'document.querySelector("iframe").contentDocument.querySelector(".pages a[rel=next]").click()',
        );
        $this->previewShows('Bugbane', 'Catmint', 'Christmas box');
        $this->sees('Page 2 of 2');
        $this->find('section .toggle')->click();
        $this->type('[aria-label="At most in all"]', '4');
        $this->sees('at most 4 in all');
        $this->previewShows('Autumn crocus', 'Barrenwort', 'Blue plantain lily');
        $this->sees('last row 1 of 3');
        $this->findText('button', 'Tablet')->click();
        $this->assertSame(
            820,
            $this->browser->executeScript('return document.querySelector("iframe").contentWindow.innerWidth'),
        );
        $this->assertQuietConsole();
    }

    public function test_the_card_its_gaps_and_what_is_said_when_nothing_is_left(): void
    {
        $this->open('Cards', 'product');
        $this->find('[data-at="card.lines[1].parts[0]"]')->click();
        $this->sees('picture · title · price · rating');
        $this->choose('[aria-label="Add a line with…"]', 'excerpt');
        $this->type('[aria-label=Words]', '3');
        $this->find('[aria-label="Move line 4 up"]')->click();
        $this->sees('picture · title · excerpt · price');
        $this->findText('[data-part="0.0"] button', 'Picture')->click();
        $this->find('[aria-label="Remove Picture"]')->click();
        $this->sees('title · excerpt · price');
        $this->find('[data-at=empty]')->click();
        $this->sees('58 of 60');
        $this->choose('[aria-label="When Price is empty"]', 'leaveOutLine');
        $this->sees('price drops its line');
        $this->pickField('Add a condition', 'Title');
        $this->sees('The rule is added when it has a value.');
        // A condition that waits for its value takes the focus once. A later answer does not move it.
        $this->find('[aria-label="Any record, by its title"]')->click();
        $this->keys('fern');
        $this->findText('button', 'Tablet')->click();
        $this->answered();
        $this->assertSame('Tablet', $this->browser->executeScript('return document.activeElement.innerText'));
        $this->find('[aria-label$=", text"]')->sendKeys(['no such plant', WebDriverKeys::ENTER]);
        $this->sees('0', '[data-rule="where.all[0]"]');
        $this->find('[data-at="whenNothing.text"]')->click();
        $this->type('[aria-label="What to say when nothing is left"]', 'The beds are resting.');
        $this->await(
            'the page does not say so',
            fn (): ?bool => str_contains(
                (string) $this->browser->executeScript(
                    'return document.querySelector("iframe").contentDocument.body.textContent',
                ),
                'The beds are resting.',
            ) ?: null,
        );
        $this->assertAccessible('the bench with nothing left');
        $this->assertQuietConsole();
    }

    public function test_groups_terms_ranges_and_another_source(): void
    {
        $this->open('Groups', 'product');
        $this->pickField('Add a condition', 'Plant groups');
        $this->findText('[data-new-condition] label', 'Bulbs')->click();
        $this->sees('Plant groups is Bulbs or below');
        $this->findText('section label', 'and all below')->click();
        $this->await(
            '“or below” is still said',
            fn (): ?bool => str_contains($this->find('[data-rule="where.all[0]"]')->getText(), 'or below')
                ? null
                : true,
        );
        $this->findText('section label', 'and all below')->click();
        $this->pickField('Add a condition', 'Height');
        $this->choose('[aria-label$=", test"]', 'between');
        $this->type('[aria-label$=", to"]', '15');
        $this->findText('button', 'Add the rule')->click();
        $this->sees('Height is between 8 and 15 cm');
        $this->findText('button', 'let any one of these be enough')->click();
        $this->sees('any of these holds: Plant groups is Bulbs or below or Height is between 8 and 15 cm');
        $this->choose('[aria-label="How these join"]', 'none');
        $this->sees('none of these holds');
        $this->findText('button', '+ a group')->click();
        $this->pickField('Add a condition to this group', 'Picture');
        $this->sees('(any of these holds: Picture is filled)');
        $this->find('[data-at=source]')->click();
        $this->findText('button.chip', 'Posts')->click();
        $this->sees('Posts that are published');
        $this->await(
            'conditions of products stay on posts',
            fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[data-rule^=where]')) === [] ?: null,
        );
        $this->find('[aria-label=Undo]')->click();
        $this->sees('none of these holds');
        $this->assertQuietConsole();
    }

    public function test_two_managers_in_one_draft_lose_nothing(): void
    {
        $this->open('Shared', 'product');
        $address = $this->browser->getCurrentURL();
        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $this->browser->get($address);
        $this->find('[data-at="page.size"]')->click();
        $this->type('[aria-label="How many at a time"]', '5');
        $this->sees('every change kept');
        $this->sees('5 at a time');
        $key = basename((string) parse_url((string) $address, PHP_URL_PATH));
        $this->await('the server has it', fn (): ?bool => (
            $this->ask('GET', "/modules/{$key}")['definition']['page']['size'] ?? null
        ) === 5 ?: null);
        $this->browser->switchTo()->window($first);
        $this->find('[data-at="arrange.as"]')->click();
        $this->findText('button.chip', 'List')->click();
        $this->sees('Someone else changed this draft while you did. Yours is still here.');
        $this->sees('List');
        $this->findText('button', 'take theirs')->click();
        $this->sees('5 at a time');
        $this->sees('Grid');
        $this->find('[aria-label=Undo]')->click();
        $this->sees('12 at a time');
        $this->sees('List');
        $this->sees('every change kept');
    }

    public function test_a_card_is_put_together_by_keys_a_gap_is_filled_in_and_advice_is_taken(): void
    {
        $this->open('Card', 'product');
        $this->find('[data-at="card.lines[1].parts[0]"]')->click();
        $this->choose('[aria-label="The card"] > div:nth-of-type(2) select', 'badge:New');
        $this->sees('title · badge “New”');
        $this->findText('[data-part="1.1"] button', 'Badge')->sendKeys(WebDriverKeys::ALT.WebDriverKeys::ARROW_LEFT);
        $this->sees('badge “New” · title');
        $this->findText('[data-part="1.0"] button', 'Badge')->sendKeys(WebDriverKeys::ALT.WebDriverKeys::ARROW_DOWN);
        $this->sees('picture · title · badge “New”');
        $this->assertAccessible('a card that is put together');

        $this->find('[data-at="page.size"]')->click();
        $this->type('[aria-label="How many at a time"]', '10');
        $this->sees('10 a page leave 2 alone in the last row.');
        $this->findText('[aria-label=Advice] button', 'Show 12 at a time')->click();
        $this->sees('12 at a time');

        $this->find('[data-rule=empty] button')->click();
        $this->sees('Fill in the');
        $this->findText('button', 'Fill in the')->click();
        $this->sees('Without Picture', '[role=dialog]');
        $this->sees('1 of', '[role=dialog]');
        $this->findText('[role=dialog] button', 'Next')->click();
        $this->sees('2 of', '[role=dialog]');
        $this->assertAccessible('records that are filled in one after the other');
        $this->findText('[role=dialog] button', 'Close')->click();
        $this->choose('[aria-label="When Picture is empty"]', 'leaveOutCard');
        $this->sees('picture drops its card');
        $this->assertQuietConsole();
    }

    public function test_a_wrong_password_is_told_plainly(): void
    {
        $this->visit('/manage/modules');
        $this->find('[name=email]')->sendKeys('somebody@quillmoor.example');
        $this->find('[name=password]')->sendKeys('guess');
        $this->find('button')->click();
        $this->sees('This e-mail address and password do not belong together, or may not manage the site.');
        $this->assertSame('somebody@quillmoor.example', $this->find('[name=email]')->getAttribute('value'));
        $this->assertAccessible('the sign-in page');
    }

    /** Signs in and opens the bench of a new module. */
    private function open(string $name, string $type): void
    {
        $this->signIn();
        $this->newModule($name.' '.bin2hex(random_bytes(3)), "The newest {$type}s");
    }

    private function focused(string $attribute): string
    {
        return (string) $this->browser->switchTo()->activeElement()->getAttribute($attribute);
    }
}
