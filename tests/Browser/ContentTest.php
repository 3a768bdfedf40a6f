<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A manager makes a type, fills it from a file, mends what is wrong, and shares the work with another. */
final class ContentTest extends BrowserTestCase
{
    public function test_from_a_new_type_to_two_people_at_one_item(): void
    {
        $this->signIn('/manage/types');
        $name = 'Recipe '.substr(str_shuffle('abcdefghij'), 0, 6);
        $this->find('[placeholder=Recipe]')->sendKeys($name);
        $this->findText('button', 'Create the type')->click();
        $this->sees('Fields');
        foreach ([
            'text' => 'Cook', 'number' => 'Minutes', 'money' => 'Cost', 'choice' => 'Course',
            'date' => 'First cooked',
        ] as $kind => $label) {
            $this->choose('#new-kind', $kind);
            $this->findText('button', 'Add')->click();
            $this->findText('label', 'Label')->findElement(WebDriverBy::tagName('input'))->sendKeys($label);
        }
        // A field of choices begins with one empty line; the key follows the label.
        $this->findText('li button', 'Course')->click();
        $this->assertSame('', $this->find('[aria-label="Key of choice 1"]')->getAttribute('value'));
        $this->type('[aria-label="Label of choice 1"]', 'Starter');
        $this->findText('button', '+ a choice')->click();
        $this->type('[aria-label="Label of choice 2"]', 'Main');
        $this->assertSame('main', $this->find('[aria-label="Key of choice 2"]')->getAttribute('value'));
        $this->findText('li button', 'Minutes')->click();
        $this->labelled('At least')->sendKeys('1');
        $this->assertAccessible('the form of a type with a field open');
        $this->findText('button', 'Save')->click();
        $this->sees('Cost is added; every item begins without a value.');
        $this->findText('button', 'Apply')->click();
        $this->sees('changed.');
        $key = basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));

        // 200 rows, three of them wrong; the file's headings are not the fields'.
        $rows = ['Title;Who cooks;Minutes;Cost;Course;First cooked'];
        for ($n = 1; $n <= 200; $n++) {
            $rows[] = implode(
                ';',
                [
                    "Dish {$n}",
                    "Cook {$n}",
                    $n === 50 ? 'an hour' : $n,
                    $n / 4,
                    $n === 120 ? 'pudding' : ($n % 2 === 0 ? 'starter' : 'main'),
                    $n === 180 ? '31/13/2025' : '2025-12-31',
                ],
            );
        }
        $this->visit("/manage/content/{$key}/import");
        $this->attach('[aria-label="The file"]', 'recipes.csv', implode("\n", $rows));
        $this->sees('Which column is which field?');
        $this->choose('[aria-label="Field for the column Who cooks"]', 'cook');
        $this->findText('button', 'Check every row')->click();
        $this->sees('197 new');
        $this->sees('3 wrong');
        foreach (['line 51, column Minutes', 'line 121, column Course', 'line 181, column First cooked'] as $place) {
            $this->sees($place);
        }
        $this->assertAccessible('an import with problems');
        $this->assertSame(
            'true',
            $this->findText('button', 'Write 197 items')->getAttribute('disabled'),
            'nothing is written while a row is wrong',
        );

        // Mended in the file, and checked again.
        [$rows[50], $rows[120], $rows[180]] = [
            str_replace('an hour', '60', $rows[50]),
            str_replace('pudding', 'main', $rows[120]),
            str_replace('31/13/2025', '2025-12-31', $rows[180]),
        ];
        $this->findText('button', 'Choose another file')->click();
        $this->attach('[aria-label="The file"]', 'recipes-mended.csv', implode("\n", $rows));
        $this->choose('[aria-label="Field for the column Who cooks"]', 'cook');
        $this->findText('button', 'Check every row')->click();
        $this->findText('button', 'Write 200 items')->click();
        $this->sees('200 made, 0 changed');
        $this->findText('a', 'Show the items')->click();
        $this->sees('200 recipe');

        // Out again, as a file.
        $folder = sys_get_temp_dir().'/wellspring-downloads-'.bin2hex(random_bytes(6));
        $this->devTools('Browser.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $folder]);
        $this->findText('button', 'Export')->click();
        $this->assertAccessible('the forms of an export');
        $this->findText('[role=dialog] button', 'Table (CSV)')->click();
        $this->await('the file comes', fn (): ?bool => is_file("{$folder}/{$key}.csv") ?: null);
        $this->assertCount(201, file("{$folder}/{$key}.csv") ?: []);
        unlink("{$folder}/{$key}.csv") && rmdir($folder);

        // Found, and changed where it stands in the table.
        $this->find('[aria-label^="Find recipe"]')->sendKeys('dish 137');
        $this->sees('1 recipe');
        $this->find('[data-cell=cost] button')->click();
        $this->find('.cell-editor input')->sendKeys([
            WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL,
            '9.5',
            WebDriverKeys::ENTER,
        ]);
        $this->sees('£9.50');

        // In two windows: the second is told what the first did.
        $this->findText('a', 'Dish 137')->click();
        $this->sees('History');
        $first = $this->browser->getWindowHandle();
        $address = $this->browser->getCurrentURL();
        $this->browser->switchTo()->newWindow();
        $this->browser->get($address);
        $this->enter('cook', 'Theirs');
        $this->enter('minutes', '7');
        $this->find('.form-bar button[type=submit]')->click();
        $this->sees('Saved');
        $this->browser->switchTo()->window($first);
        $this->enter('cook', 'Mine');
        $this->take('course', 'starter');
        $this->find('#field-title')->sendKeys(WebDriverKeys::CONTROL.'s');
        $this->sees('Someone else saved this in the meantime');
        $this->sees('Changed by both');
        $this->assertAccessible('two people at one item');
        $this->findText('label', 'Theirs: Theirs')->click();
        $this->findText('button', 'Save with these values')->click();
        $this->await(
            'both are brought together',
            fn (): ?bool => $this->said('cook', 'minutes', 'course') === ['Theirs', '7', 'Starter'] ?: null,
        );

        // A draft older than what another saved since does not write over it either.
        $this->find('#field-title')->sendKeys(' (mine)');
        $this->sees('Draft kept');
        $this->browser->switchTo()->window($this->browser->getWindowHandles()[1]);
        $this->browser->navigate()->refresh();
        $this->sees('This is your draft');
        $id = basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));
        $this->ask('PUT', "/items/{$id}", ['revision' => 4, 'values' => ['minutes' => 8]]);
        $this->browser->switchTo()->window($first);
        $this->find('#field-title')->sendKeys(WebDriverKeys::CONTROL.'s');
        $this->sees('Someone else saved this in the meantime');
        $this->findText('button', 'Save both together')->click();
        $this->await(
            'both are brought together',
            fn (): ?bool => [
                $this->value('#field-title'),
                ...$this->said('minutes'),
            ] === ['Dish 137 (mine)', '8'] ?: null,
        );
        $this->findText('button', 'History')->click();
        $this->sees('History of');
        $this->findText('li', 'imported')
            ->findElement(WebDriverBy::xpath('.//button[contains(., "Restore")]'))
            ->click();
        $this->await(
            'the first state is back',
            fn (): ?bool => $this->said('cook', 'cost') === ['Cook 137', '£34.25'] ?: null,
        );
        $this->assertQuietConsole(['409']);
    }

    public function test_many_are_changed_at_once_and_taken_back(): void
    {
        $this->signIn('/manage/content/plot');
        $this->sees('30 garden plots');
        $this->find('[aria-label="Select all on this page"]')->click();
        $this->findText('button', 'Make drafts')->click();
        $this->sees('30 of 30 changed.');
        $this->sees('draft', 'tbody');
        $this->findText('button', 'Undo')->click();
        $this->sees('Undone.');
        $this->await(
            'all are published again',
            fn (): ?bool => ! str_contains($this->find('tbody')->getText(), 'draft') ?: null,
        );
        $this->findText('button', '+ a filter')->click();
        $this->choose('[aria-label="A filter"] [aria-label=Field]', 'area');
        $this->choose('[aria-label="A filter"] [aria-label=Test]', 'gte');
        $this->find('[aria-label=Value]')->sendKeys('200');
        $this->findText('button', 'Keep only those')->click();
        $this->sees('Area is at least 200');
        $this->findText('button', 'Columns')->click();
        $this->findText('[aria-label=Columns] label', 'Hours of sun')->click();
        $this->browser->getKeyboard()->sendKeys([WebDriverKeys::ESCAPE]);
        $this->find('[aria-label^="Width of Area"]')->sendKeys([
            WebDriverKeys::ARROW_RIGHT,
            WebDriverKeys::ARROW_RIGHT,
        ]);
        $this->sees('8 garden plots');
        $this->await('the table is kept', fn (): ?bool => in_array(
            142,
            array_column($this->ask('GET', '/presets/plot')['state']['columns'] ?? [], 'width'),
            true,
        ) ?: null);
        $this->browser->navigate()->refresh();
        $this->sees('Area is at least 200');
        $this->find('[aria-label^="Width of Area: 142 pixels"]');
        $this->find('[aria-label="Drop the filter on Area"]')->click();
        $this->sees('30 garden plots');

        // Leads in bulk; yes and no in the table, by one choice.
        $this->find('[aria-label="Select all on this page"]')->click();
        $this->findText('button', 'Set a field')->click();
        $this->choose('[role=dialog] [aria-label=Field]', 'lead');
        $this->choose('[role=dialog] #field-lead', 'yes');
        $this->findText('[role=dialog] button', 'Change 30')->click();
        $this->sees('30 of 30 changed.');
        $this->findText('button', 'Undo')->click();
        $this->sees('Undone.');
        $this->findText('button', 'Columns')->click();
        $this->findText('[aria-label=Columns] label', 'Water on the plot')->click();
        $this->browser->getKeyboard()->sendKeys([WebDriverKeys::ESCAPE]);
        $cell = fn () => $this->findText('tbody td button', 'Edit Water on the plot of');
        $before = trim(explode(':', $cell()->getText())[1] ?? '');
        $cell()->click();
        $this->choose('tbody #field-water', $before === 'yes' ? 'no' : 'yes');
        $after = $before === 'yes' ? 'no' : 'yes';
        $this->await(
            'the other value in the table',
            fn (): ?bool => trim(explode(':', $cell()->getText())[1] ?? '') === $after ?: null,
        );
        $this->assertQuietConsole();
    }

    public function test_terms_move_by_keyboard_and_by_drag_and_merge(): void
    {
        $this->signIn('/manage/terms/rooms');
        $this->find('[aria-label="A new term"]')->sendKeys('Moon gate'.WebDriverKeys::ENTER);
        $this->findText('[aria-label=Terms] [role=row]', 'Moon gate')->click();
        $this->find('[aria-label="Move Moon gate below the one before it"]')->sendKeys(WebDriverKeys::ENTER);
        $this->sees('Potting shed');
        $this->await(
            'it stands below',
            fn (): ?bool => $this->browser->executeScript(
                'return [...document.querySelectorAll("[aria-label=Terms] [role=row]")].find(row => '
                    .'row.textContent.includes("Moon gate")).ariaLevel',
            ) === '2' ?: null,
        );
        // By keyboard: taken up, to the place before the first, put down.
        $this->find('[aria-label="Drag Moon gate"]')->sendKeys(WebDriverKeys::ENTER);
        $this->browser->getKeyboard()->sendKeys([WebDriverKeys::HOME, WebDriverKeys::ENTER]);
        $this->await(
            'it stands first',
            fn (): ?bool => str_contains(
                (string) $this->browser->executeScript(
                    'return document.querySelector("[aria-label=Terms] [role=row]").textContent',
                ),
                'Moon gate',
            ) ?: null,
        );
        $this->find('label:has([aria-label="Tick Moon gate"])')->click();
        $this->find('label:has([aria-label="Tick River walk"])')->click();
        $this->findText('[aria-label="The term that stays"] option', 'River walk')->click();
        $this->sees('Merged; the items followed.');
        $this->assertStringNotContainsString('Moon gate', $this->find('[aria-label=Terms]')->getText());
        $this->assertAccessible('a term beside its tree');
        $this->assertQuietConsole();
    }

    public function test_a_text_takes_a_pasted_document_a_table_and_a_film_and_is_seen_as_visitors_will_read_it(): void
    {
        $this->signIn('/manage/files');
        // The first bytes say that it is a film (ISO/IEC 14496-12, 4.3); it has no pictures.
        $bytes = pack('N', 24).'ftypisom'.pack('N', 512).'isommp42'.pack('N', 8).'mdat';
        $name = 'walk-'.substr(str_shuffle('abcdefghij'), 0, 6);
        $this->attach('input[type=file]', "{$name}.mp4", $bytes);
        $this->findText('button', $name);

        $this->visit('/manage/content/post/new');
        $this->enter('title', "A walk {$name}");
        $this->findText('.editor button', 'Film')->click();
        $this->findText('.editor button', 'Choose a file')->click();
        $this->findText('[role=dialog] li button', $name)->click();
        $this->find('.rich video');
        $this->findText('.editor button', 'Table')->click();
        $this->keys('Bed');
        $this->findText('.editor button', 'Add a row')->click();
        $this->browser->executeScript(<<<'JS'
            const data = new DataTransfer();
            data.setData("text/html", arguments[0]);
            const text = document.querySelector(".rich");
            text.focus();
            getSelection().selectAllChildren(text);
            getSelection().collapseToEnd();
            document.dispatchEvent(new Event("selectionchange"));
            text.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
            JS, ['<style>p { color: red }</style>'
                .'<p style="color: red; font-weight: bold">Frost<img src="file:///a.png"></p>'
                .'<p style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">1.</span>Cut back</p>']);
        $this->sees('One picture was not pasted');
        $this->assertAccessible('the editor of a text with a table and a film');

        $this->findText('.editor button', 'Preview')->click();
        $frame = $this->find('[role=dialog] iframe');
        $this->browser->switchTo()->frame($frame);
        $read = $this->await('The preview shows nothing.', fn (): ?string => $this->browser->executeScript(
            'return document.querySelector(".prose")?.innerHTML ?? null',
        ));
        $this->browser->switchTo()->defaultContent();
        $this->findText('[role=dialog] button', 'Close')->click();
        $this->findText('button', 'Save draft')->click();
        $this->sees('Saved');
        foreach ([
            "~<video src=\"/media/{$name}[^\"]*\" title=\"[^\"]+\" controls~",
            '~<tr>(<th><p>(Bed)?</p></th>){3}</tr>(<tr>(<td><p></p></td>){3}</tr>){3}~',
            '~<p><strong>Frost</strong></p>\s*<ol>\s*<li><p>Cut back</p></li>\s*</ol>~',
        ] as $part) {
            $this->assertMatchesRegularExpression($part, $read);
        }
        $this->browser->navigate()->refresh();
        $this->find('.rich video');
        $this->assertSame(4, count($this->browser->findElements(WebDriverBy::cssSelector('.rich tr'))));
        $this->assertQuietConsole();
    }

    private function attach(string $css, string $name, string $content): void
    {
        $path = sys_get_temp_dir()."/{$name}";
        file_put_contents($path, $content);
        $this->find($css)->setFileDetector(new \Facebook\WebDriver\Remote\LocalFileDetector)->sendKeys($path);
        // The browser reads it when it is sent, which may be later.
        register_shutdown_function(fn () => @unlink($path));
    }

    private function labelled(string $words): \Facebook\WebDriver\Remote\RemoteWebElement
    {
        return $this->findText('label', $words)->findElement(WebDriverBy::tagName('input'));
    }
}
