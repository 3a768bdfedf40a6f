<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Wellspring\Core\Wording\SiteWords;

/** The built-in texts of visitors' pages in every language. */
final class SiteWordsTest extends TestCase
{
    private const LANGUAGES = ['ar', 'de', 'en', 'es', 'fr', 'it', 'ja', 'nl', 'pl', 'pt', 'sv', 'uk'];

    public function test_the_languages_are_there(): void
    {
        $this->assertSame(self::LANGUAGES, SiteWords::languages());
    }

    /** @return iterable<string, array{string}> */
    public static function languages(): iterable
    {
        foreach (self::LANGUAGES as $language) {
            yield $language => [$language];
        }
    }

    #[DataProvider('languages')]
    public function test_a_language_says_every_text_with_the_values_of_the_english_one(string $language): void
    {
        $words = SiteWords::of($language);
        $names = [];
        foreach (SiteWords::keys() as $key) {
            $pattern = (string) SiteWords::pattern($language, $key);
            $english = self::placeholders((string) SiteWords::pattern('en', $key));
            $names[$key] = $english;
            $this->assertSame($english, self::placeholders($pattern), "{$language}, {$key}");
            $this->assertTrue($words->isTranslated($key), $key);
            foreach ([0, 1, 2, 5, 22, 100] as $n) {
                $said = $words->text($key, array_fill_keys($english, $n));
                $this->assertStringNotContainsString('{', $said, $key);
                $this->assertNotSame('', trim($said), $key);
            }
        }
        $this->assertSame(count(SiteWords::keys()), self::entries($language), 'texts that English lacks');
        $this->assertGreaterThan(140, count($names));
    }

    /** Plural forms as CLDR's Language Plural Rules give them (unicode.org, charts, read from memory). */
    public function test_numbers_take_the_plural_of_the_language(): void
    {
        $found = fn (string $locale, int $n): string => SiteWords::of($locale)->text(
            'search.found',
            ['n' => $n, 'words' => 'x'],
        );
        $this->assertSame('One page found for “x”.', $found('en-GB', 1));
        $this->assertSame('1,000 pages found for “x”.', $found('en-GB', 1000));
        $this->assertSame('1.000 Seiten zu „x“ gefunden.', $found('de-DE', 1000));
        $this->assertSame('Znaleziono 22 strony dla „x”.', $found('pl-PL', 22));
        $this->assertSame('Znaleziono 25 stron dla „x”.', $found('pl-PL', 25));
        $this->assertSame('Знайдено 21 сторінку за запитом «x».', $found('uk-UA', 21));
        $this->assertSame('عُثر على صفحتين عن «x».', $found('ar-EG', 2));
        $this->assertSame('١٢ في الصفحة', SiteWords::of('ar-EG')->text('choices.onePage', ['n' => 12]));
        $this->assertSame('「x」で 3 件のページが見つかりました。', $found('ja-JP', 3));
    }

    public function test_a_value_may_be_a_number_at_one_time_and_a_text_at_another(): void
    {
        $english = SiteWords::of('en-GB');
        $this->assertSame('Page 1,000', $english->text('listing.page', ['number' => 1000]));
        $this->assertSame('Page three', $english->text('listing.page', ['number' => 'three']));
    }

    public function test_a_language_without_a_catalogue_says_english_and_knows_it(): void
    {
        $danish = SiteWords::of('da-DK');
        $this->assertSame('Search', $danish->text('search.title'));
        $this->assertSame('en', $danish->spoken());
        $this->assertFalse($danish->isTranslated('search.title'));
        $this->assertTrue(SiteWords::of('en-IN')->isTranslated('search.title'));
    }

    public function test_an_unknown_text_is_an_error(): void
    {
        $this->expectException(\LogicException::class);
        SiteWords::of('en')->text('search.nowhere');
    }

    /** @return list<string> the names of the values, sorted */
    private static function placeholders(string $pattern): array
    {
        $names = [];
        $depth = 0;
        foreach ((array) preg_split('/(?=[{}])/', $pattern) as $part) {
            // Values stand at even depths; at odd ones stand the cases of a plural.
            if (preg_match('/^\{(\w+)/', (string) $part, $name) === 1 && $depth % 2 === 0) {
                $names[$name[1]] = $name[1];
            }
            $depth += match (substr((string) $part, 0, 1)) {
                '{' => 1,
                '}' => -1,
                default => 0,
            };
        }
        sort($names);

        return $names;
    }

    private static function entries(string $language): int
    {
        $catalogue = require dirname(__DIR__, 2)."/lang/{$language}/site.php";

        return array_sum(array_map(count(...), $catalogue));
    }
}
