<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Database\Seeders\Demo\DemoSite;
use Tests\Support\WebClient;
use Wellspring\Core\Wording\SiteWords;

/** Visitors read every built-in text in the site's language, on every kind of page. */
final class LanguageTest extends BrowserTestCase
{
    use ValidatesHtml;

    private const PAGES = [
        '/', '/shop', '/shop?shop-light=shade&shop-price=..8&shop-as=list', '/shop?shop-light=shade&shop-groups=trees',
        '/shop/a-to-z', '/shop/prices', '/shop/lady-fern', '/plots', '/plots?plots-where=gate,2&plots-water=yes',
        '/journal', '/whats-on', '/people', '/groups', '/groups/ferns', '/gallery', '/search', '/search?q=fern',
        '/search?q=clemtis', '/search?q=qqqqqq', '/account/sign-in', '/account/password', '/account/welcome/nothing',
        '/nothing-here',
    ];

    /** The visible texts and the labels of the page. Texts marked as English do not count. */
    private const TEXTS = <<<'JS'
        const found = [];
        const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        while (walk.nextNode()) {
            const own = walk.currentNode.parentElement;
            if (!own.closest("script, style, [lang=en]")) {
                found.push(walk.currentNode.textContent.trim());
            }
        }
        for (const one of document.querySelectorAll("[aria-label], [placeholder], [title]")) {
            found.push(one.ariaLabel ?? "", one.placeholder ?? "", one.title ?? "");
        }
        return [...new Set(found)];
        JS;

    private WebClient $manager;

    protected function setUp(): void
    {
        parent::setUp();
        $this->manager = new WebClient(self::env('SITE_URL'));
        $this->manager->signIn(DemoSite::EMAIL, DemoAccounts::PASSWORD);
    }

    protected function tearDown(): void
    {
        $this->speak('en-GB');
        parent::tearDown();
    }

    public function test_no_built_in_text_stays_english(): void
    {
        $visitor = new WebClient(self::env('SITE_URL'));
        foreach (['sv-SE' => 'ltr', 'uk-UA' => 'ltr', 'ar-EG' => 'rtl'] as $locale => $direction) {
            $this->speak($locale);
            $english = self::englishOf($locale);
            $this->assertGreaterThan(80, count($english));
            $own = [];
            foreach (self::PAGES as $address) {
                $this->visit($address);
                $page = "{$locale} {$address}";
                $this->assertSame(
                    [$locale, $direction],
                    $this->browser->executeScript(
                        'return [document.documentElement.lang, document.documentElement.dir]',
                    ),
                    $page,
                );
                $texts = $this->browser->executeScript(self::TEXTS);
                $this->assertSame([], array_values(array_intersect($texts, $english)), $page);
                $own = [...$own, ...$texts];
            }
            $words = SiteWords::of($locale);
            foreach (['search.title', 'account.forgotten', 'error.nothingHere', 'choices.anyOf', 'page.skip'] as $key) {
                $this->assertContains($words->text($key), $own, "{$locale} {$key}");
            }
            $this->assertAccessible($locale);
            $this->assertValidHtml(array_combine(
                self::PAGES,
                array_map(fn (string $address): string => $visitor->get($address)['body'], self::PAGES),
            ));
        }
    }

    public function test_a_language_without_a_catalogue_marks_its_english_texts(): void
    {
        $this->speak('da-DK');
        $this->visit('/search?q=qqqqqq');
        $this->sees('Nothing on this site holds “qqqqqq”.', 'html[lang=da-DK] .nothing span[lang=en]');
    }

    /** Scripts have their texts from the page. */
    public function test_a_script_speaks_the_language_of_the_page(): void
    {
        $this->speak('de-DE');
        $this->visit('/gallery');
        $this->find('a.large-view')->click();
        $this->find('dialog[open] [aria-label="Schließen"]')->click();
    }

    private function speak(string $locale): void
    {
        $settings = json_decode($this->manager->get('/manage/api/settings')['body'], true);
        $kept = $this->manager->send('PUT', '/manage/api/settings/draft', [
            'definition' => ['locale' => $locale] + $settings['definition'], 'revision' => $settings['revision'],
        ]);
        $this->manager->send('POST', '/manage/api/settings/publish', [
            'revision' => json_decode($kept['body'], true)['revision'],
        ]);
    }

    /** @return list<string> the English texts without values that the language says differently */
    private static function englishOf(string $locale): array
    {
        $language = substr($locale, 0, 2);
        $texts = array_map(fn (string $key): array => [
            (string) SiteWords::pattern('en', $key), SiteWords::pattern($language, $key),
        ], SiteWords::keys());

        return array_column(array_filter(
            $texts,
            fn (array $pair): bool => ! str_contains($pair[0], '{') && $pair[0] !== $pair[1],
        ), 0);
    }
}
