<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

final class JourneyTest extends BrowserTestCase
{
    public function test_from_nothing_to_a_listing_that_updates_by_itself(): void
    {
        $this->signIn();
        $name = 'Shady '.bin2hex(random_bytes(3));
        $this->newModule($name, 'The newest products');

        // By pointing and typing: products in shade, at most £5, by title, two at a time.
        $this->sees('Products that are published', '[aria-label="Rules"]');
        $this->pickField('Add a condition', 'Light');
        $this->findText('button.chip', "Shade\n12")->click();
        $this->sees('Light is Shade');
        $this->findText('button', 'Done')->click();
        $this->pickField('Add a condition', 'Price');
        $this->choose('[aria-label$=", test"]', 'lte');
        $this->type('[aria-label$=", value"]', '5.3');
        $this->findText('button', 'Add the rule')->click();
        $this->sees('Price is at most 5.3');
        $this->find('body')->sendKeys(WebDriverKeys::ESCAPE);
        $this->find('[data-at="order[0].by"]')->click();
        $this->choose('[aria-label="Key 1: by"]', 'title');
        $this->choose('[aria-label="Key 1: direction"]', 'up');
        $this->find('[data-at="page.size"]')->click();
        $this->type('[aria-label="How many at a time"]', '2');
        $this->sees('2 at a time');
        $this->previewShows('Ivy-leaved cyclamen', 'Snowy wood-rush');
        $this->sees('every change kept');

        // Undo and redo reach back.
        $this->find('[aria-label=Undo]')->click();
        $this->sees('12 at a time');
        $this->find('[aria-label=Redo]')->click();
        $this->sees('2 at a time');
        $this->assertAccessible('the bench with a rule open');

        // Nothing is lost when the manager leaves and comes back.
        $this->sees('every change kept');
        $this->browser->navigate()->refresh();
        $this->sees('Price is at most 5.3');
        $this->previewShows('Ivy-leaved cyclamen', 'Snowy wood-rush');

        $this->publishOn('/shop');
        $this->sees('on Plant shop');

        // A visitor sees it, and a product added afterwards, with nothing else done.
        $this->visit('/shop');
        $key = strtolower(str_replace(' ', '-', $name));
        $this->sees($name);
        $this->sees('Ivy-leaved cyclamen', "#{$key}");
        $this->visit('/manage/content/product/new');
        $this->find('#field-title')->sendKeys('Adder’s tongue');
        $this->tabTo('#value-price');
        $this->keys('2');
        $this->keys(['.5', WebDriverKeys::TAB]);
        $this->assertSame(['£2.50'], $this->said('price'), 'the first letter opens a value, leaving it closes it');
        $this->assertSame('field-sale_price', $this->browser->switchTo()->activeElement()->getAttribute('id'));
        $this->keys(['9', WebDriverKeys::ESCAPE]);
        $this->assertSame(['–'], $this->said('sale_price'), 'Escape brings back what stood there');
        $this->take('light', 'shade');
        $this->find('[aria-label="Add plant groups"]')->sendKeys('woodl');
        $this->findText('[role=option]', 'Perennials › Woodland')->click();
        $this->find('[aria-label="Take Perennials › Woodland away"]');
        $this->findText('button', 'not a lead')->click();
        $this->findText('label', 'Lead')->click();
        $this->findText('button', 'a lead');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->findText('button', 'Publish')->click();
        $this->sees('Saved');
        $this->visit('/shop');
        $this->assertSame(['Adder’s tongue', 'Ivy-leaved cyclamen'], $this->titles($key));
        $this->find("#{$key} a[rel=next]")->click();
        $this->assertSame(['Snowy wood-rush'], $this->titles($key));
        $this->findText('a', 'Snowy wood-rush')->click();
        $this->sees('The grass for places where grass will not grow.');
        $this->assertQuietConsole();
    }

    /**
     * Common practice, no source: someone states a listing in words, looks at what would change, publishes, and takes
     * it back.
     */
    public function test_a_listing_said_in_words_is_built_without_a_mouse_compared_published_and_brought_back(): void
    {
        $this->signIn();
        $this->tabTo('button', 'New module');
        $this->keys(WebDriverKeys::ENTER);
        $this->tabTo('[aria-label="Find a sentence"]');
        $this->keys('upcoming events');
        $this->sees('Upcoming events, soonest first');
        $this->tabTo('input[type=radio]');
        $this->keys(WebDriverKeys::SPACE);
        $this->tabTo('[aria-label="Name of the new module"]');
        $this->keys([
            WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL,
            'Hands on '.bin2hex(random_bytes(3)),
            WebDriverKeys::ENTER,
        ]);

        // Events in the next 30 days that are workshops or walks, not sold out, soonest first, six at a time.
        $this->sees('Starts is to come');
        $this->tabTo('[data-at="where.all[0].test"]');
        $this->keys(WebDriverKeys::ENTER);
        $this->keys('is in the next');
        $this->sees('Starts is in the next 30 days');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->addCondition('Kind');
        $this->tabTo('button.chip', 'Workshop');
        $this->keys(WebDriverKeys::SPACE);
        $this->sees('Kind is Workshop');
        $this->browser->executeScript('document.querySelector(\'[aria-label$=", field"]\').focus()');
        $this->tabTo('button.chip', 'Walk');
        $this->keys(WebDriverKeys::SPACE);
        $this->sees('Kind is any of Workshop, Walk');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->addCondition('Spaces left');
        $this->tabTo('[aria-label$=", test"]');
        $this->keys('is not');
        $this->tabTo('[aria-label$=", value"]');
        $this->keys(['0', WebDriverKeys::ENTER]);
        $this->sees('Spaces left is not 0');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->sees('Starts, earliest first');
        $this->tabTo('[data-at="page.size"]');
        $this->keys(WebDriverKeys::ENTER);
        $this->keys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, '6']);
        $this->sees('6 at a time');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->previewShows(...array_slice($this->handsOn(30), 0, 6));
        $this->publish();

        // A week only: what would change is looked at before it is published.
        $this->tabTo('[data-at="where.all[0].value"]');
        $this->keys(WebDriverKeys::ENTER);
        $this->keys([WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL, '7']);
        $this->sees('Starts is in the next 7 days');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->tabTo('button', 'Compare with live');
        $this->keys(WebDriverKeys::ENTER);
        [$month, $week] = [$this->handsOn(30), $this->handsOn(7)];
        $gone = count($month) - count($week);
        $this->sees($gone === 1 ? '1 goes' : "{$gone} go");
        $this->sees(count($month).' records now, '.count($week).' then');
        $this->sees($month[count($month) - 1], '[aria-label="What visitors get"]');
        $this->publish();

        // The former version comes back.
        $this->tabTo('label select');
        $this->keys('version 1');
        $this->tabTo('button', 'Bring version 1 back as the draft');
        $this->keys(WebDriverKeys::ENTER);
        $this->sees('Starts is in the next 30 days');
        $this->publish();
        $this->assertQuietConsole();
    }

    private function addCondition(string $field): void
    {
        $this->tabTo('[aria-label="Add a condition"]');
        $this->keys($field);
        $this->sees($field, '[role=listbox]');
        $this->keys([WebDriverKeys::ARROW_DOWN, WebDriverKeys::ENTER]);
        $this->sees('The rule is added when it has a value.');
    }

    private function publish(): void
    {
        $this->sees('every change kept');
        $this->tabTo('button', 'Publish');
        $this->keys(WebDriverKeys::ENTER);
        $this->findText('button', 'Published');
    }

    /**
     * Workshops and walks of the demo's table that are not sold out and begin within so many days, soonest first.
     *
     * @return list<string> titles
     */
    private function handsOn(int $days): array
    {
        $file = fopen(
            dirname(__DIR__, 2).'/database/demo/events.csv',
            'r',
        ) ?: throw new \RuntimeException('The demo has events.');
        $header = fgetcsv($file, escape: '') ?: [];
        $now = new \DateTimeImmutable('now', new \DateTimeZone('Europe/London'));
        $found = [];
        while (($cells = fgetcsv($file, escape: '')) !== false) {
            $row = array_combine(array_map(strval(...), $header), array_map(strval(...), $cells));
            $starts = $now->modify("{$row['in_days']} days")->modify($row['at'] === '' ? '00:00' : $row['at']);
            if (
                in_array($row['kind'], ['workshop', 'walk'], true)
                && $row['spaces_left'] !== '0'
                && (int) $row['days'] >= 0
                && $starts >= $now
                && $starts <= $now->modify("{$days} days")
            ) {
                $found[$row['title']] = $starts->getTimestamp();
            }
        }
        asort($found);

        return array_map(strval(...), array_keys($found));
    }

    public function test_rules_are_changed_in_groups_by_hand_and_switched_off(): void
    {
        $this->signIn('/manage/modules/newest-in-the-shop');
        $this->findText('button', '+ either of several')->click();
        $this->pickField('Add a condition to this group', 'Stock');
        $this->type('[data-new-condition] [aria-label$=", value"]', '4');
        $this->findText('button', 'Add the rule')->click();
        $this->sees('any of these holds: Stock is at least 4');
        $this->pickField('Add a condition to this group', 'Picture');
        $this->sees('any of these holds: Stock is at least 4 or Picture is filled');
        $this->findText('button', 'Switch off')->click();
        $this->sees('Switched off');
        $this->findText('button', 'Remove')->click();
        $this->find('[data-at=pin]')->click();
        $this->find('[aria-label="Pin: find by title"]')->sendKeys('solomon');
        $this->findText('[role=option]', 'Solomon’s seal')->click();
        $this->sees('1 pinned');
        $this->find('[data-at="empty"]')->click();
        $this->choose('[aria-label="When Price is empty"]', 'say');
        $this->find('[aria-label="What to say instead of Price"]')->sendKeys('Ask us');
        $this->sees('price says “Ask us”');
        $this->findText('button', 'Phone')->click();
        $this->assertSame(
            390,
            $this->browser->executeScript('return document.querySelector("iframe").contentWindow.innerWidth'),
        );
        $this->sees('every change kept');
        $this->assertQuietConsole();
    }

    public function test_what_is_published_is_what_stands_there_at_that_moment(): void
    {
        $this->signIn('/manage/modules/from-the-journal');
        $this->sees('12 at a time');
        $this->find('[data-at="page.size"]')->click();
        foreach (['5', '4', '3'] as $size) {
            $this->type('[aria-label="How many at a time"]', $size);
        }
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/journal');
        $this->assertCount(3, $this->titles('from-the-journal'));
        $this->visit('/manage/modules/from-the-journal');
        $this->findText('button', 'Published');
        $this->find('[data-at="page.size"]')->click();
        $this->type('[aria-label="How many at a time"]', '12');
        $this->findText('button', 'Publish')->click();
        $this->findText('button', 'Published');
        $this->visit('/journal');
        $this->assertCount(12, $this->titles('from-the-journal'));
    }

    public function test_what_is_typed_is_kept_though_nobody_saves(): void
    {
        $this->signIn('/manage/content/product/new');
        $this->find('#field-title')->sendKeys('Half a fern');
        $this->findText('nav a', 'Modules')->click();
        $this->sees('Each is set up once');
        $this->visit('/manage/content/product/new');
        $this->sees('This is your draft');
        $this->assertSame('Half a fern', $this->find('#field-title')->getAttribute('value'));
        $this->findText('button', 'Drop it')->click();
        $this->await(
            'the draft is not dropped',
            fn (): ?bool => $this->browser->executeScript(
                'return document.querySelector("#field-title").value',
            ) === '' ?: null,
        );
    }

    public function test_what_is_wrong_is_said_at_the_field_and_what_was_typed_stays(): void
    {
        $this->signIn('/manage/content/product/new');
        $this->find('#field-title')->sendKeys('Another lady fern');
        $this->enter('slug', 'lady-fern');
        $this->find('.form-bar button[type=submit]')->click();
        $this->sees('“lady-fern” is taken by “Lady fern”');
        $this->assertSame('Another lady fern', $this->find('#field-title')->getAttribute('value'));
        $this->assertSame('true', $this->find('#field-slug')->getAttribute('aria-invalid'));
        $this->assertAccessible('the item form with a fault');
        // The draft is offered again. It is dropped here, so that the next new product begins empty.
        $this->visit('/manage/content/product/new');
        $this->findText('button', 'Drop it')->click();
        $this->await(
            'an empty title',
            fn (): ?bool => $this->find('#field-title')->getAttribute('value') === '' ?: null,
        );
    }

    public function test_every_screen_is_accessible_at_a_laptops_and_a_phones_width(): void
    {
        $this->signIn();
        foreach ([
            '/manage/modules' => 'Plants for shade',
            '/manage/modules/plants-for-shade' => 'When nothing is left',
            '/manage/content/product' => 'Last change',
            '/manage/content/product/new' => 'further notice',
            '/manage/content/event/by-hand' => 'placed by hand',
            '/manage/content/plot/import' => 'Which file?',
            '/manage/types' => 'Ready-made sets',
            '/manage/types/event' => 'When and where',
            '/manage/terms/groups' => 'Perennials',
            '/manage/files' => ' kB',
            '/manage/people' => 'Tansy Blythe',
            '/manage/account' => 'A new password',
            '/' => 'Newest in the shop',
            '/shop' => 'Plants for shade',
            '/journal' => 'From the journal',
            '/search?q=fern' => 'found for',
            '/shop/lady-fern' => 'Hardiness',
            '/people/marigold-finch' => 'To be found',
        ] as $path => $words) {
            $this->width(1280);
            $this->visit($path);
            foreach ([1280, 390] as $width) {
                $this->width($width);
                $this->sees($words);
                $this->assertAccessible("{$path} at {$width}");
                if ($width === 390 && str_ends_with($path, '/plants-for-shade')) {
                    // As wide as the screen that the bench was opened on.
                    $this->visit($path);
                    $this->findText('button', 'The page')->click();
                    $this->assertLessThanOrEqual(
                        390,
                        $this->find('iframe')->getSize()->getWidth(),
                        'the page in its frame fits a phone',
                    );
                }
                $this->assertLessThanOrEqual(
                    $width,
                    $this->browser->executeScript('return document.documentElement.scrollWidth'),
                    "{$path} at {$width} does not scroll sideways",
                );
            }
        }
        $this->assertQuietConsole();
    }
}
