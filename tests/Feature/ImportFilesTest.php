<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Import\Csv;
use Database\Seeders\Demo\PlantDrawing;
use PHPUnit\Framework\Attributes\DataProvider;
use Wellspring\Core\Problem\Refused;

/** Files as they come from other programs, and the demo's own. */
final class ImportFilesTest extends TestCase
{
    /**
     * The examples of RFC 4180, section 2, points 1 to 7.
     *
     * @param  list<list<string>>  $rows
     */
    #[DataProvider('rfc4180')]
    public function test_the_examples_of_rfc_4180(string $file, array $rows): void
    {
        $this->assertSame($rows, array_values(iterator_to_array(Csv::rows($this->file('csv', $file)))));
    }

    /** @return array<string, array{string, list<list<string>>}> */
    public static function rfc4180(): array
    {
        return [
            '1: records end with CRLF' => [
                "aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n",
                [['aaa', 'bbb', 'ccc'], ['zzz', 'yyy', 'xxx']],
            ],
            '2: the last may lack it' => ["aaa,bbb,ccc\r\nzzz,yyy,xxx", [['aaa', 'bbb', 'ccc'], ['zzz', 'yyy', 'xxx']]],
            '3: a header' => [
                "field_name,field_name,field_name\r\naaa,bbb,ccc\r\n",
                [['field_name', 'field_name', 'field_name'], ['aaa', 'bbb', 'ccc']],
            ],
            '4: spaces belong to a field' => ["aaa, bbb ,ccc\r\n", [['aaa', ' bbb ', 'ccc']]],
            '5: quotes' => ["\"aaa\",\"bbb\",\"ccc\"\r\nzzz,yyy,xxx", [['aaa', 'bbb', 'ccc'], ['zzz', 'yyy', 'xxx']]],
            '6: breaks inside quotes' => [
                "\"aaa\",\"b\r\nbb\",\"ccc\"\r\nzzz,yyy,xxx",
                [['aaa', "b\r\nbb", 'ccc'], ['zzz', 'yyy', 'xxx']],
            ],
            '7: a quote inside quotes' => ['"aaa","b""bb","ccc"', [['aaa', 'b"bb', 'ccc']]],
        ];
    }

    public function test_lines_are_counted_as_a_text_editor_counts_them(): void
    {
        $rows = iterator_to_array(Csv::rows($this->file('csv', "\u{FEFF}a,b\n\"x\ny\nz\",1\n\nlast,\"\"\n")));
        $this->assertSame([1 => ['a', 'b'], 2 => ["x\ny\nz", '1'], 6 => ['last', '']], $rows);
    }

    public function test_any_cells_written_are_read_again(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(7));
        $rows = [];
        for ($r = 0; $r < 60; $r++) {
            $rows[] = array_map(function () use ($random): string {
                $cell = 'x';
                for ($i = $random->getInt(0, 6); $i > 0; $i--) {
                    $cell .= [
                        '"',
                        '""',
                        ',',
                        "\n",
                        "\r\n",
                        ' ',
                        ';',
                        '\\',
                        '\\"',
                        '🌿',
                        'שלום',
                        '=1+1',
                        '007',
                    ][$random->getInt(0, 12)];
                }

                return $cell;
            }, range(1, 4));
        }
        $text = implode(
            "\r\n",
            array_map(
                fn (array $row): string => implode(
                    ',',
                    array_map(fn (string $cell): string => '"'.str_replace('"', '""', $cell).'"', $row),
                ),
                $rows,
            ),
        );
        $this->assertSame($rows, array_values(iterator_to_array(Csv::rows($this->file('csv', $text)))));
    }

    public function test_a_file_that_is_not_there_is_refused(): void
    {
        $this->expectException(Refused::class);
        iterator_to_array(Csv::rows('/no/such/file.csv'));
    }

    public function test_the_demo_has_what_it_promises_and_the_gaps_of_real_data(): void
    {
        $read = function (string $file): array {
            $rows = array_values(iterator_to_array(Csv::rows(database_path("demo/{$file}"))));
            $header = array_shift($rows) ?? [];

            return array_map(fn (array $row): array => array_combine($header, $row), $rows);
        };
        $products = $read('products.csv');
        $posts = $read('posts.csv');
        $this->assertSame([60, 50], [count($products), count($posts)]);
        $without = fn (array $rows, string $column): int => count(
            array_filter($rows, fn (array $row): bool => $row[$column] === ''),
        );
        $this->assertGreaterThan(0, $without($products, 'form'), 'no picture here');
        $this->assertGreaterThan(0, $without($products, 'price'), 'no price there');
        $this->assertSame(1, $without($products, 'groups'), 'a product in no group');
        $this->assertSame(
            3,
            max([0, ...array_map(fn (array $row): int => count(explode('|', $row['groups'])), $products)]),
            'a product in three',
        );
        $this->assertNotSame(
            [],
            array_filter($posts, fn (array $row): bool => (int) $row['days'] < 0),
            'a post that is scheduled',
        );
        $this->assertSame([], array_diff(array_unique(array_column($products, 'form')), [...PlantDrawing::FORMS, '']));
    }

    public function test_the_same_seed_draws_the_same_plant(): void
    {
        $fern = PlantDrawing::plant('fern', 5);
        $this->assertSame($fern, PlantDrawing::plant('fern', 5));
        $this->assertNotSame($fern, PlantDrawing::plant('fern', 6));
        $this->assertSame([800, 600, IMAGETYPE_PNG], array_slice(getimagesizefromstring($fern) ?: [], 0, 3));
    }
}
