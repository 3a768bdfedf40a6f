<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Sets, changes of types, files and people, as a manager meets them. */
final class KeepingTest extends BrowserTestCase
{
    public function test_a_set_is_brought_in_and_a_type_changed_and_taken_back(): void
    {
        $this->signIn('/manage/types');
        $this->findText('li', 'Tools to borrow')->findElement(WebDriverBy::tagName('button'))->click();
        $this->sees('6 new terms');
        $this->assertAccessible('a set that is looked at');
        $this->findText('button', 'Add it')->click();
        $this->sees('Brought in: Kinds of tool, Tools, Tools in the shed.');
        $this->visit('/manage/content/tool/new');
        $this->sees('Only after being shown how');
        $this->openValue('open');
        $this->find('[aria-label="Add hours to Monday"]')->click();
        $this->find('#field-title')->sendKeys('Spade');
        $this->enter('inventory', 'spade');
        $this->findText('button', 'Publish')->click();
        $this->sees('expected text that fits the pattern');
        $this->enter('inventory', 'SP-014');
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::CONTROL.'s');
        $this->sees('View on site');

        // Another journey on the same site may have hidden the field on the page.
        $plot = dirname(__DIR__, 2).'/database/demo/pages/13-plot.json';
        $this->apply('pages', (array) json_decode((string) file_get_contents($plot), true));
        $this->visit('/manage/types/plot');
        $this->find('[aria-label="Remove the field Soil"]')->click();
        $this->findText('button', 'Save')->click();
        $this->sees('The page “Garden plot” shows the field Soil. Remove it there first.');
        $this->hideOnPlotPage('Soil');
        $this->visit('/manage/types/plot');
        $this->sees('This is your draft');
        $this->assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('[aria-label$="field Soil"]')));
        $this->findText('li button', 'Area')->click();
        $key = $this->findText('label', 'Key')->findElement(WebDriverBy::tagName('input'));
        $key->sendKeys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, 'size']);
        $this->findText('button', 'Save')->click();
        $this->sees('Soil goes, and with it the values of 24 items.');
        // Another journey may have made a plot meanwhile.
        $this->sees('Area gets the key size; the values of 3');
        $this->sees('items and the modules and pages that name it follow.');
        $this->assertAccessible('what a change does');
        $this->findText('button', 'Apply')->click();
        $this->sees('Garden plots changed.');
        $this->visit('/plots');
        $this->sees('m²');
        $this->visit('/manage/content/plot');
        $this->findText('button', 'Changes')->click();
        $this->sees('Changed the type Garden plots');
        $this->assertAccessible('what was done to many');
        $this->find('[aria-label="Undo: Changed the type Garden plots"]')->click();
        $this->sees('Undone.');
        $this->visit('/manage/types/plot');
        $this->findText('li button', 'Soil');
        $this->assertQuietConsole(['422']);
    }

    public function test_a_picture_is_uploaded_described_and_its_point_kept_in_sight(): void
    {
        $image = imagecreatetruecolor(900, 600);
        imagefilledrectangle($image, 0, 0, 900, 600, (int) imagecolorallocate($image, 60, 120, 90));
        $path = sys_get_temp_dir().'/Beehive by the orchard.png';
        imagepng($image, $path);
        $this->signIn('/manage/content/plot/new');
        $this->find('#field-title')->sendKeys('Plot by the hives');
        $this->enter('area', '70');
        $input = $this->browser->findElement(WebDriverBy::id('field-picture-upload'));
        $input->setFileDetector(new \Facebook\WebDriver\Remote\LocalFileDetector)->sendKeys($path);
        // The browser reads it when it is sent, which may be later.
        register_shutdown_function(fn () => @unlink($path));
        $this->find('[aria-label="Alternative text of Beehive by the orchard.png"]')
            ->sendKeys('A hive'.WebDriverKeys::ENTER);
        $this->await(
            'the words are kept',
            fn (): ?bool => $this->browser->executeScript(
                'return document.querySelector("#field-picture img")?.alt',
            ) === 'A hive' ?: null,
        );
        $this->findText('button', 'Publish')->click();
        $this->sees('View on site');
        $this->visit('/plots/plot-by-the-hives');
        $this->assertSame('A hive', $this->find('img.item-picture')->getAttribute('alt'));
        $this->assertStringContainsString(
            '/media/w400/beehive-by-the-orchard',
            (string) $this->browser->executeScript('return document.querySelector("picture source").srcset'),
        );
        $this->assertSame(
            [900, 600],
            $this->browser->executeAsyncScript(
                'const done = arguments[arguments.length - 1], i = document.querySelector("img.item-picture"); const '
                    .'tell = () => done([Number(i.getAttribute("width")), Number(i.getAttribute("height"))]); '
                        .'i.complete ? tell() : (i.onload = tell);',
            ),
        );
        $this->visit('/manage/files');
        $this->findText('tr', 'beehive-by-the-orchard')->findElement(WebDriverBy::tagName('button'))->click();
        $this->sees('Click what must stay in sight');
        $this->find(
            '[aria-label^="The point that stays in sight: 50 %"]',
        )->sendKeys([WebDriverKeys::ARROW_LEFT, WebDriverKeys::ARROW_UP]);
        $this->find('[aria-label^="The point that stays in sight: 45 % from the left, 45 % from the top"]');
        $this->assertAccessible('a picture and its point');
        $this->findText('button', 'Save')->click();
        $this->await(
            'the sheet is shut',
            fn (): ?bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) === [] ?: null,
        );
        $this->visit('/plots/plot-by-the-hives');
        $this->assertSame(
            '45% 45%',
            $this->browser->executeScript(
                'return getComputedStyle(document.querySelector("img.item-picture")).objectPosition',
            ),
        );
        $this->assertQuietConsole();
    }

    public function test_pictures_chosen_at_once_all_stay_in_their_order_and_can_be_described_after_saving(): void
    {
        $paths = [];
        // The first is the largest by far, and arrives last.
        foreach (['Bud' => 1400, 'Flower' => 60, 'Fruit' => 40] as $name => $width) {
            $image = imagecreatetruecolor($width, $width);
            for ($n = 0; $n < $width * 40; $n++) {
                imagesetpixel($image, mt_rand(0, $width), mt_rand(0, $width), mt_rand(0, 0xFFFFFF));
            }
            $paths[] = $path = sys_get_temp_dir()."/{$name} ".bin2hex(random_bytes(3)).'.png';
            imagepng($image, $path);
        }
        $this->signIn('/manage/content/product/new');
        $this->find('#field-title')->sendKeys('Quince');
        $this->browser->findElement(WebDriverBy::id('field-more_pictures-upload'))->sendKeys(implode("\n", $paths));
        $shown = fn (): string => implode(' ', (array) $this->browser->executeScript(
            'return [...document.querySelectorAll("#field-more_pictures li img")].map((one) => '
                .'one.closest("li").querySelector("input").getAttribute("aria-label").split(" ")[3])',
        ));
        $this->await('all three, in their order', fn (): ?bool => $shown() === 'Bud Flower Fruit' ?: null);
        $this->findText('button', 'Save')->click();
        $this->await('the item has an address of its own', fn (): ?bool => preg_match(
            '~/content/product/\d+$~',
            (string) $this->browser->getCurrentURL(),
        ) === 1 ?: null);
        $this->browser->navigate()->refresh();
        $this->await('all three, in their order', fn (): ?bool => $shown() === 'Bud Flower Fruit' ?: null);
        $this->find('[aria-label^="Alternative text of Flower"]')->sendKeys('A flower'.WebDriverKeys::TAB);
        $this->sees('Saved', '#field-more_pictures li:nth-child(2)');
        $this->browser->navigate()->refresh();
        $this->assertSame('A flower', $this->find('[aria-label^="Alternative text of Flower"]')->getAttribute('value'));
        array_map(unlink(...), $paths);
        $this->assertQuietConsole();
    }

    public function test_someone_is_invited_comes_in_and_is_sent_out(): void
    {
        $this->signIn('/manage/people');
        $name = 'Wren '.substr(str_shuffle('abcdefghij'), 0, 5);
        $this->findText('button', 'Invite someone')->click();
        $fields = $this->find('[role=dialog]')->findElements(WebDriverBy::cssSelector('input.input'));
        $fields[0]->sendKeys($name);
        $fields[1]->sendKeys(str_replace(' ', '.', strtolower($name)).'@quillmoor.example');
        $this->assertAccessible('an invitation');
        $this->find('[role=dialog] button[type=submit]')->click();
        $link = (string) $this->find('[aria-label="The link"]')->getAttribute('value');
        $this->visit('/manage/people');
        $this->findText('tr', $name);
        $this->sees('invited', 'tbody');
        $this->findText('button', 'Sign out')->click();
        $this->find('[name=email]');
        $this->visit((string) parse_url($link, PHP_URL_PATH));
        $this->sees("Welcome, {$name}");
        $this->assertAccessible('the door for who is invited');
        $this->find('[name=password]')->sendKeys('a wren in the hedge');
        $this->find('[name=password_confirmation]')->sendKeys('a wren in the hedge');
        $this->findText('button', 'Begin')->click();
        $this->sees('New product');
        $this->assertSame(
            [],
            array_filter(
                $this->browser->findElements(WebDriverBy::cssSelector('nav[aria-label=Main] a')),
                fn ($link): bool => in_array($link->getText(), ['Modules', 'Types', 'People'], true),
            ),
            'an author has no more than theirs',
        );
        $this->findText('button', 'Sign out')->click();
        $this->find('[name=email]');
        $this->signIn('/manage/people');
        $this->findText('tr button', $name)->click();
        $this->findText('button', 'Deactivate')->click();
        $this->sees("{$name} is saved.");
        $this->sees('deactivated', 'tbody');
        $this->assertQuietConsole();
    }
}
