<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\Html\SafeHtml;
use App\Import\Csv;
use App\Import\JsonRows;
use App\Look\OwnStyles;
use App\Models\Item;
use PHPUnit\Framework\Attributes\DataProvider;
use Wellspring\Core\Content\Blank;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\DateForm;
use Wellspring\Core\Wording\Format;

/**
 * Outside text is read in linear time, or refused with a clear error. A parser that reads the text again for every tag,
 * quote or bracket takes minutes for each of these shapes (42 s and more were seen before there were limits).
 */
final class ParserLimitsTest extends TestCase
{
    /** Seconds on a machine that has other work to do; alone, each takes less than 2. */
    private const SECONDS = 20.0;

    /** @return iterable<string, array{string}> 300 kB each */
    public static function markup(): iterable
    {
        foreach ([
            '<b>', '<a>', '<table><tr><td>', '<style ', '<template>', '<p ', '<p>a', '<!--', '<![CDATA[', '<', '&#x;',
            '<a "', '<plaintext>', '</x>', '<li>x', '<svg>',
        ] as $shape) {
            yield $shape => [substr(str_repeat($shape, (int) ceil(300_000 / strlen($shape))), 0, 300_000)];
        }
        yield 'attributes' => ['<p '.self::attributes(60_000).'>x</p>'];
    }

    #[DataProvider('markup')]
    public function test_markup_is_read_in_one_go(string $html): void
    {
        $this->assertQuick(function () use ($html): void {
            (new SafeHtml)->safe($html);
            Blank::isHtml($html);
        });
    }

    public function test_a_text_that_is_too_complex_is_refused_with_its_field_and_nothing_is_written(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        $texts = [
            'expected at most 50 attributes in each tag of the text.' => '<p '.self::attributes(51).'>x</p>',
            'expected at most 100 elements inside each other in the text.' => str_repeat('<b>', 101).'x',
            'expected at most 20,000 elements in the text.' => str_repeat('<br>', 20_001).'x',
        ];
        foreach ($texts as $message => $text) {
            foreach (['text', 'story'] as $field) {
                $this->postJson('/manage/api/items', ['type' => 'plant', 'values' => ['title' => 'x', $field => $text]])
                    ->assertUnprocessable()
                    ->assertJsonFragment(['path' => $field, 'code' => 'tooComplex', 'message' => $message]);
            }
            $this->postJson(
                '/manage/api/taxonomies/soils/terms',
                ['term' => ['name' => 'Clay loam', 'description' => $text]],
            )->assertUnprocessable()->assertJsonFragment(['path' => 'description', 'message' => $message]);
        }
        $this->assertSame(0, Item::query()->count());
        $fine = str_repeat('<b>', 98).'x'.str_repeat('</b>', 98);
        $values = ['title' => 'x', 'text' => "<p>{$fine}</p>"];
        $this->postJson('/manage/api/items', ['type' => 'plant', 'values' => $values])->assertCreated();
        $this->assertSame('&lt;x y', (new SafeHtml)->safe(str_repeat('<b>', 101).'&lt;x <i>y</i>'), 'words stay');
    }

    public function test_a_text_of_a_million_different_words_is_stored_and_found_by_its_first(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        $word = fn (int $n): string => 'w'.strtr((string) $n, '0123456789', 'abcdefghij');
        $words = implode(' ', array_map($word, range(100_000, 215_000)));
        $this->assertGreaterThan(900_000, strlen($words));
        $this->postJson('/manage/api/items', ['type' => 'plant', 'values' => ['title' => 'Long', 'text' => $words]])
            ->assertCreated();
        $found = fn (string $word): int => Item::query()
            ->whereRaw("search @@ to_tsquery('wellspring', ?)", [$word])
            ->count();
        $this->assertSame([1, 1, 0], [$found('long'), $found('wbaaaaa'), $found('zzz')]);
    }

    public function test_tables_lists_style_sheets_and_patterns_are_read_in_one_go(): void
    {
        $open = $this->file('csv', "title\n\"".str_repeat("x\n", 2_500_000));
        $wide = $this->file('csv', str_repeat('a,', 1_500_000)."b\n");
        $list = $this->file('json', '['.str_repeat('{"a":1},', 1_100_000).'{}]');
        $line = $this->file('jsonl', '{"a":"'.str_repeat('x', 4_000_001).'"}');
        foreach ([
            'a quote is opened' => fn () => iterator_count(Csv::rows($open)),
            'at most 2,000 columns' => fn () => iterator_count(Csv::rows($wide)),
            'longer than 5 MiB' => fn () => iterator_count(JsonRows::of($list)),
            'this line is longer than 4 MB' => fn () => iterator_count(JsonRows::of($line)),
        ] as $message => $read) {
            $this->assertQuick(function () use ($message, $read): void {
                try {
                    $read();
                    $this->fail("{$message}: it was read.");
                } catch (Refused $refused) {
                    $this->assertStringContainsString($message, $refused->getMessage());
                }
            });
        }
        foreach (['@media all{', 'a{width:calc(', 'a{b:c}', 'a,', '/*', '@a;', 'a{b:"'] as $shape) {
            $this->assertQuick(fn () => (new OwnStyles)->safe(str_repeat($shape, intdiv(50_000, strlen($shape)))));
        }
        $this->assertNotNull(DateForm::fault(str_repeat('y', 101)));
        $this->assertQuick(fn () => $this->assertFalse(Format::saysEveryNumber(str_repeat('{n,spellout}', 50_000))));
        $this->assertQuick(fn () => $this->assertFalse(Format::saysPlaces(str_repeat('{total,spellout}', 50_000))));
    }

    /** Quotes that span lines are still read, and counted apart in each line. */
    public function test_a_quoted_cell_of_many_lines_is_one_cell(): void
    {
        $text = str_repeat("a \"\"line\"\", and more\r\n", 100_000);
        $file = $this->file('csv', "title,text\r\nFern,\"{$text}\"\r\nOak,\"\"\"\r\n\"\"\"\r\n");
        $this->assertQuick(function () use ($file, $text): void {
            $rows = iterator_to_array(Csv::rows($file));
            $this->assertSame([1, 2, 100_003], array_keys($rows));
            $this->assertSame(['Fern', str_replace('""', '"', $text)], $rows[2]);
            $this->assertSame(['Oak', "\"\r\n\""], $rows[100_003]);
        });
    }

    public function test_an_address_takes_no_more_than_it_needs(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        foreach ([
            ['PUT', 'items/draft', 20_000_000, '6,000'], ['PUT', 'presets/plant', 5_000_000, '100'],
            ['PUT', 'menus/main/draft', 2_000_000, '1,500'], ['POST', 'sign-in', 20_000, '16'],
        ] as [$method, $path, $bytes, $limit]) {
            $this->json($method, "/manage/api/{$path}", ['x' => str_repeat('x', $bytes)])
                ->assertStatus(413)
                ->assertJsonPath('problems.0.code', 'tooLarge')
                ->assertSee("at most {$limit} kB", false);
        }
        $this->call('POST', '/account/sign-in', ['email' => 'x'], server: ['CONTENT_LENGTH' => '70000'])
            ->assertStatus(413);
        // A text as long as a text may be, and all that JSON adds to it.
        $this->putJson('/manage/api/items/draft', ['type' => 'plant', 'values' => ['text' => str_repeat('"', 999_000)]])
            ->assertOk();
    }

    public function test_a_menu_has_no_more_entries_than_a_page_can_show(): void
    {
        $this->actingAs($this->manager());
        $link = ['link' => '/x', 'label' => 'x'];
        $branch = $link + ['entries' => array_fill(0, 200, $link)];
        $this->putJson('/manage/api/menus/main/draft', ['revision' => 1, 'definition' => [
            'format' => 1, 'key' => 'main', 'entries' => array_fill(0, 6, $branch),
        ]])->assertUnprocessable()->assertSee('at most 1,000 entries in all');
        $broken = array_fill(0, 150, ['link' => '/x', 'label' => '', 'colour' => 1]);
        $problems = $this->putJson('/manage/api/menus/main/draft', ['revision' => 1, 'definition' => [
            'format' => 1, 'key' => 'main', 'entries' => $broken,
        ]])->assertUnprocessable()->json('problems');
        $this->assertCount(201, $problems);
        $this->assertSame('100 more problems are not listed.', $problems[200]['message']);
    }

    private static function attributes(int $count): string
    {
        return implode(' ', array_map(fn (int $n): string => "a{$n}=1", range(1, $count)));
    }

    private function assertQuick(\Closure $work): void
    {
        $begun = microtime(true);
        $work();
        $this->assertLessThan(self::SECONDS, microtime(true) - $begun);
    }
}
