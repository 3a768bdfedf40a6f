<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What the bench answers: on another page, about one record, about a rule that no longer makes sense, as text. */
final class BenchAnswersTest extends BrowserTestCase
{
    public function test_a_value_taken_from_the_page_follows_the_page_that_is_looked_from(): void
    {
        $this->open('Taken', 'products');
        $this->pickField('Add a condition', 'Plant groups');
        $this->choose('[aria-label$=", test"]', 'anyOf');
        $this->choose('[aria-label$="where the value comes from"]', 'term');
        $this->sees('Plant groups is the page’s term');
        $this->sees('(an example)');
        $this->choose('[aria-label$="where there is no value"]', 'keepAll');
        $this->sees('; all where there is none');
        $this->lookFrom('A term', 'Ferns');
        $this->sees('the page of ferns');
        $this->sees('5', '[data-rule="where.all[0]"]');
        $this->await('the ferns do not show', fn (): ?bool => $this->preview('Lady fern', 'Royal fern') ?: null);

        // Of the item being shown, whose own value is taken.
        $this->choose('[aria-label$="where the value comes from"]', 'item of');
        $this->sees('Plant groups is that of the item being shown');
        $this->lookFrom('A term', '');
        $this->findText('[aria-label="What visitors get"] button.word', '(an example)')->click();
        $this->find('[aria-label="Find the item"]')->sendKeys('royal fern');
        $this->findText('[role=option]', 'Royal fern')->click();
        $this->find('body')->sendKeys(WebDriverKeys::ESCAPE);
        $this->sees('an item’s page');
        $this->sees('5', '[data-rule="where.all[0]"]');

        // Of whoever has signed in: what they wrote themselves.
        $this->pickField(', field', 'Author');
        $this->choose('[aria-label$=", test"]', 'anyOf');
        $this->choose('[aria-label$="where the value comes from"]', 'viewer');
        $this->sees('Author is whoever has signed in');
        $this->sees('0', '[data-rule="where.all[0]"]');
        $this->assertAccessible('a value that the viewer gives');
        $this->assertQuietConsole();
    }

    public function test_why_one_is_missing_is_said_and_it_is_mended_beside_the_bench(): void
    {
        $this->open('Asked', 'garden plots');
        $this->pickField('Add a condition', 'Soil');
        $this->findText('button.chip', 'Clay')->click();
        $this->sees('Soil is Clay');
        $clay = $this->left('where.all[0]');
        $this->find('#trace-words')->sendKeys('the long bed');
        $this->sees('The long bed', '[aria-label="Why is it here, or not?"]');
        $this->find('#trace-words')->sendKeys(WebDriverKeys::ENTER);
        $this->sees('Soil is Chalk, and the rule keeps Clay.');
        $this->sees('Had it passed it would stand at place');
        $this->findText('button', 'Also keep Chalk')->click();
        $this->sees('Soil is any of Clay, Chalk');
        $this->find('[aria-label=Undo]')->click();
        $this->sees('Soil is Clay');

        // The plot itself is what is wrong: it is opened, mended and saved, and the bench follows.
        $this->findText('button', 'Edit the Garden plot itself')->click();
        $this->take('soil', 'clay');
        $this->assertAccessible('an item beside the bench');
        $this->find('#field-soil')->sendKeys(WebDriverKeys::CONTROL.'s');
        $this->sees('Saved');
        $this->await('the count does not follow', fn (): ?bool => $this->left('where.all[0]') === $clay + 1 ?: null);
        $this->sees('Shown: place');
        $this->browser->navigate()->back();
        $this->findText('button', 'Results')->click();
        $this->findText('td button', 'The long bed')->click();
        $this->find('#value-soil');
        $this->browser->navigate()->refresh();
        $this->assertSame(['Clay'], $this->said('soil'), 'the address says what is open');
        $this->take('soil', 'chalk');
        $this->find('form button[type=submit]')->click();
        $this->await('the count does not follow', fn (): ?bool => $this->left('where.all[0]') === $clay ?: null);
        $this->findText('button', '‹ ')->click();
        $this->findText('button', 'Results '.$clay)->click();
        $this->sees('Place');
        $this->assertStringNotContainsString('The long bed', $this->find('table')->getText());
        $this->assertQuietConsole();
    }

    public function test_a_rule_whose_field_is_gone_is_marked_while_the_site_shows_the_last_good_version(): void
    {
        $name = $this->open('Broken', 'garden plots');
        $key = strtolower(str_replace(' ', '-', $name));
        $this->publishOn('/plots');
        $this->pickField('Add a condition', 'Soil');
        $this->findText('[data-new-condition] button.chip', 'Loam')->click();
        $this->sees('Soil is Loam');
        $this->sees('every change kept');

        $this->hideOnPlotPage('Soil');
        $this->findText('nav a', 'Types')->click();
        $this->findText('a', 'Garden plots')->click();
        $this->find('[aria-label="Remove the field Soil"]')->click();
        $this->findText('button', 'Save')->click();
        $this->sees('What this change does');
        $this->findText('button', 'Apply')->click();
        $this->sees('Undo');
        $this->findText('nav a', 'Modules')->click();
        $this->sees('needs attention');
        $this->findText('a', $name)->click();
        $this->sees('“soil” is not a field of plot', '[role=alert]');
        $this->assertSame(
            'true',
            $this->findText('button', 'Publish')->getAttribute('disabled'),
            'what makes no sense is not published',
        );
        $this->assertAccessible('a rule whose field is gone');

        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $this->visit('/plots');
        $this->assertNotSame([], $this->titles($key), 'the last good version shows');
        $this->browser->close();
        $this->browser->switchTo()->window($first);

        $this->findText('button', 'Choose another field')->click();
        $this->sees('“soil” is no field any more. Choose another:');
        $this->pickField(', field', 'Hours of sun');
        $this->type('[aria-label$=", value"]', '5');
        $this->sees('Hours of sun is at least 5');
        $this->await(
            'the mark does not go',
            fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=alert]')) === [] ?: null,
        );
        $this->find('[aria-label=Undo]')->click();
        $this->findText('button', 'Remove this rule')->click();
        $this->await(
            'the rule does not go',
            fn (): ?bool => $this->browser->findElements(
                WebDriverBy::cssSelector('[data-rule^=where], [role=alert]'),
            ) === [] ?: null,
        );
        $this->findText('button', 'Published');

        // The field comes back with all its values, and with it the rule makes sense again.
        $this->find('[aria-label=Undo]')->click();
        $this->sees('“soil” is not a field of plot');
        $this->findText('button', 'Undo')->click();
        $this->sees('Soil is Loam');
        $this->assertQuietConsole();
    }

    public function test_a_condition_is_dragged_to_its_place_and_undo_reaches_back_after_the_bench_was_left(): void
    {
        $name = $this->open('Dragged', 'garden plots');
        foreach (['Soil', 'Area', 'Villages'] as $i => $field) {
            $this->pickField('Add a condition', $field);
            $this->choose('[data-new-condition] [aria-label$=", test"]', 'filled');
            $this->findText('button', 'Add the rule')->click();
            $this->sees('filled', "[data-rule=\"where.all[{$i}]\"]");
            $this->findText('button', 'Done')->click();
        }
        $order = fn (): array => $this->browser->executeScript(
            'return [...document.querySelectorAll("[data-rule^=where] button.word:first-of-type")].map((one) => '
                .'one.textContent.trim())',
        );
        [$first, $second, $third] = $order();
        $this->drag('[data-rule="where.all[0]"] .text-quiet', '[data-rule="where.all[2]"] .text-quiet');
        $this->await('it is not dragged', fn (): ?bool => $order() === [$second, $third, $first] ?: null);
        // By keyboard: Enter on the grip, Tab to a place, Enter.
        $this->dragByKeys('rule 1', '[data-rule="where.all[1]"]');
        $this->await('it is not dragged by keys', fn (): ?bool => $order() === [$third, $second, $first] ?: null);
        $this->find('[aria-label=Undo]')->click();
        $this->await('it is not undone', fn (): ?bool => $order() === [$second, $third, $first] ?: null);
        $this->sees('every change kept');

        $this->findText('nav a', 'Modules')->click();
        $this->findText('a', $name)->click();
        $this->sees('When nothing is left');
        $this->find('[aria-label=Undo]')->click();
        $this->await('it does not go back', fn (): ?bool => $order() === [$first, $second, $third] ?: null);
        $this->sees('every change kept');
        $this->browser->navigate()->refresh();
        $this->sees('When nothing is left');
        $this->find('[aria-label=Redo]')->click();
        $this->await('it does not come again', fn (): ?bool => $order() === [$second, $third, $first] ?: null);
        $this->assertQuietConsole();
    }

    public function test_the_definition_is_changed_as_json_checked_and_applied(): void
    {
        $this->open('Json', 'products');
        $this->findText('button', 'As text and JSON')->click();
        $this->sees('Take: Products that are published');
        $json = $this->value('#module-json');
        $write = function (string $json): void {
            $this->browser->executeScript(
                'const box = document.querySelector("#module-json"); '
                    .'Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set.call(box, '
                        .'arguments[0]); box.dispatchEvent(new Event("input", { bubbles: true }))',
                [$json],
            );
            $this->findText('button', 'Check')->click();
        };
        $write('{');
        $this->sees('This is no JSON');
        $write(str_replace('"size": 12', '"size": "ten", "colour": "red"', $json));
        $this->sees('page.size');
        $this->sees('page.colour');
        $write(preg_replace('/"key": "[^"]+"/', '"key": "another"', $json) ?? '');
        $this->sees('A module keeps its key');
        $write(str_replace('"size": 12', '"size": 4', $json));
        $this->sees('It can be read, every rule of it.');
        $this->assertAccessible('a module as text');
        $this->findText('button', 'Apply')->click();
        $this->sees('4 at a time');
        $this->find('[aria-label=Undo]')->click();
        $this->sees('12 at a time');
        $this->assertQuietConsole(['422']);
    }

    public function test_words_are_looked_for_where_the_rule_says(): void
    {
        $this->open('Words', 'products');
        $this->type('[aria-label="Add a condition"]', 'its words'.WebDriverKeys::ENTER);
        $this->sees('Its words hold what the visitor looks for');
        $this->choose('[aria-label$="where the value comes from"]', 'given');
        $this->find('[aria-label*=", words;"]')->sendKeys('fern*');
        $this->sees('Its words hold “fern*”');
        $everywhere = $this->left('where.all[0]');
        $this->findText('fieldset button.chip', 'Title')->click();
        $this->sees('Its words hold “fern*” in Title');
        $this->await('no fewer are found', fn (): ?bool => $this->left('where.all[0]') < $everywhere ?: null);
        $titled = $this->left('where.all[0]');
        $this->findText('fieldset button.chip', 'Plant groups')->click();
        $this->findText('label', 'Title counts')->findElement(WebDriverBy::cssSelector('option:nth-child(5)'))->click();
        $this->sees('in Title (5) or Plant groups (1)');
        $this->assertGreaterThanOrEqual($titled, $this->left('where.all[0]'));
        $this->lookFrom('A term', 'Ferns');
        $this->findText('fieldset button.chip', 'All texts and terms')->click();
        $this->await('not all are found', fn (): ?bool => $this->left('where.all[0]') === $everywhere ?: null);
        $this->assertQuietConsole();
    }

    /** Signs in and opens the bench of a new module. */
    private function open(string $name, string $plural): string
    {
        $this->signIn();
        $name .= ' '.bin2hex(random_bytes(3));
        $this->newModule($name, "The newest {$plural}");

        return $name;
    }

    /** Looks at the page from one that is about something. */
    private function lookFrom(string $label, string $value): void
    {
        $this->find(
            '[aria-label="What visitors get"] fieldset ~ div button.word:last-of-type, [aria-label="What visitors '
                .'get"] button.word:last-of-type',
        )->click();
        $box = $this->find("[role=dialog] [aria-label=\"{$label}\"]");
        $box->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, WebDriverKeys::DELETE]);
        if ($value === '') {
            $box->sendKeys(WebDriverKeys::TAB);
        } else {
            $box->sendKeys($value);
            $this->findText('[role=option]', $value)->click();
        }
        $this->find('body')->sendKeys(WebDriverKeys::ESCAPE);
    }

    private function preview(string ...$titles): bool
    {
        $shown = $this->browser->executeScript(
            'return document.querySelector("iframe").contentDocument.body.textContent',
        );

        return array_filter($titles, fn (string $title): bool => ! str_contains((string) $shown, $title)) === [];
    }

    /** How many are left after a rule. */
    private function left(string $rule): int
    {
        return (int) $this->find("[data-rule=\"{$rule}\"] .font-semibold")->getText();
    }
}
