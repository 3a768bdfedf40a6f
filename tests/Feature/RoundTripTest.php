<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Group;
use App\Models\Item;
use App\Models\ItemLink;
use App\Models\Media;
use App\Models\Term;
use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\RandomModules;

/** What goes out comes in unchanged, and files of other programs come in too. */
final class RoundTripTest extends TestCase
{
    private const HOSTILE = [
        "\"quoted\", and, commas;\ttabs",
        '🌿 emoji',
        'שלום עולם',
        '007',
        '=1+1',
        "'; drop table items; --",
        '{"a": [1]}',
        'a | b > c',
        '\\"',
        'null',
        '- 5 %',
    ];

    #[DataProvider('formats')]
    public function test_export_then_import_changes_nothing(string $format): void
    {
        $this->plantType();
        Term::query()->create([
            'taxonomy_key' => 'groups',
            'slug' => 'odd',
            'name' => 'Odd | one > out',
            'position' => 9,
        ]);
        app(\App\Catalogue\CatalogueStore::class)->forget();
        foreach ([
            'a.webp' => 'picture', 'b-2.webp' => 'picture', 'c.webp' => 'picture', 'leaflet.pdf' => 'file',
            'film.mp4' => 'video',
        ] as $name => $kind) {
            Media::query()->create(['name' => $name, 'kind' => $kind, 'mime' => 'x', 'bytes' => 1, 'sizes' => []]);
        }
        $this->manager();
        foreach (['gardeners', 'journal'] as $group) {
            Group::query()->create(['key' => $group, 'name' => $group]);
        }
        $draw = new RandomModules(random_int(1, 1_000_000));
        for ($n = 1; $n <= 40; $n++) {
            $text = self::HOSTILE[$n % count(self::HOSTILE)];
            $this->plant(
                [
                    'nickname' => $text,
                    'title' => "{$text} {$n}",
                    'text' => '<p>'.htmlspecialchars($text)."</p>\n<p>and\r\nmore</p>",
                ] + ($n % 5 === 0 ? ['slug' => "plant-{$n}", 'groups' => ['odd', 'tree-ferns']] : []) + (
                    $n % 5 === 1 && $n > 1
                        ? ['friends' => ['plant-'.($n - 1)], 'keeper' => 'M@example.org', 'author' => 'm@example.org']
                        : []
                ) + array_diff_key($draw->plant($n), ['picture' => 0]),
            );
        }
        $file = $this->file($format, '');
        $export = function () use ($format, $file): string {
            $this->assertSame(
                0,
                Artisan::call(
                    'wellspring:items:export',
                    ['--type' => 'plant', '--format' => $format, '--out' => $file],
                ),
                Artisan::output(),
            );

            return (string) file_get_contents($file);
        };
        $import = function (bool $update) use ($file): string {
            $code = Artisan::call(
                'wellspring:items:import',
                ['file' => $file, '--type' => 'plant', '--update' => $update],
            );
            $said = Artisan::output();
            $this->assertSame(0, $code, $said);

            return $said;
        };
        $first = $export();
        $stored = $this->stored();
        $this->assertStringContainsString('0 items made, 0 changed, 40 as they were', $import(true));
        Item::query()->delete();
        $this->assertStringContainsString('40 items made', $import(false));
        $this->assertEquals($stored, $this->stored(), 'the same items, value for value');
        $this->assertSame($first, $export(), 'and the same file, byte for byte');
    }

    /** @return list<array{string}> */
    public static function formats(): array
    {
        return [['csv'], ['json'], ['jsonl']];
    }

    public function test_tables_of_other_programs_are_understood(): void
    {
        $this->plantType();
        $windows = (string) mb_convert_encoding(
            "title;slug;nickname\r\nFougère – femelle;fougere;“Crème” 5 €\r\n",
            'Windows-1252',
            'UTF-8',
        );
        foreach (['semicolons, Windows-1252' => $windows, 'tabs, a mark' => "\u{FEFF}title\tslug\tnickname\nFougère – "
            ."femelle\tfougere\t“Crème” 5 €\n", 'commas in quotes' => "\"title\",\"slug\",\"nickname\"\n\"Fougère – "
                .'femelle",fougere,“Crème” 5 €'] as $what => $table) {
            Item::query()->delete();
            $this->assertSame(
                0,
                Artisan::call('wellspring:items:import', ['file' => $this->file('csv', $table), '--type' => 'plant']),
                $what.Artisan::output(),
            );
            $this->assertSame(
                ['Fougère – femelle', '“Crème” 5 €'],
                [Item::query()->firstOrFail()->title, Item::query()->firstOrFail()->fields['nickname']],
                $what,
            );
        }
        $lines = "{\"title\": \"A\"}\n\n{\"title\": \"B\", \"price\": 4}\n{\"title\": \n";
        $this->assertSame(
            1,
            Artisan::call('wellspring:items:import', ['file' => $this->file('jsonl', $lines), '--type' => 'plant']),
        );
        $this->assertStringContainsString('line 4: is not JSON', Artisan::output());
    }

    public function test_a_made_slug_never_takes_one_that_the_file_names(): void
    {
        $this->plantType();
        $this->assertSame(
            0,
            Artisan::call(
                'wellspring:items:import',
                [
                    'file' => $this->file(
                        'csv',
                        "title,slug\nLady fern,\nLady fern,\nAnother,lady-fern\nMore,lady-fern-2\n",
                    ),
                    '--type' => 'plant',
                ],
            ),
            Artisan::output(),
        );
        $this->assertSame(
            ['lady-fern-3', 'lady-fern-4', 'lady-fern', 'lady-fern-2'],
            Item::query()->orderBy('id')->pluck('slug')->all(),
        );
    }

    public function test_a_larger_file_needs_no_more_memory(): void
    {
        $this->plantType();
        $peak = function (int $rows): int {
            Item::query()->delete();
            $path = $this->file('csv', '');
            $file = fopen($path, 'wb') ?: $this->fail();
            fwrite($file, "title,slug,nickname\n");
            for ($n = 0; $n < $rows; $n++) {
                fwrite($file, "Plant {$n},plant-{$n},".str_repeat('moss ', 180)."\n");
            }
            fclose($file);
            gc_collect_cycles();
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $this->assertSame(
                0,
                Artisan::call('wellspring:items:import', ['file' => $path, '--type' => 'plant']),
                Artisan::output(),
            );

            return memory_get_peak_usage() - $before;
        };
        $peak(50);
        $small = $peak(550);
        // Beside its slug, so that no other row may take it, and 500 lines of the ledger at a time, nothing of a row
        // stays: 500 more rows are 0.45 MB of text.
        $this->assertLessThan($small + 250_000, $peak(1_050));
        $this->assertSame(1_050, Item::query()->count());
    }

    public function test_wrong_calls_are_told(): void
    {
        $this->plantType();
        foreach ([
            ['--type' => 'tractor'],
            ['--type' => 'plant', '--format' => 'xml'],
            ['--type' => 'plant', '--out' => '/no/such/folder/x.csv'],
        ] as $call) {
            $this->assertNotSame(0, Artisan::call('wellspring:items:export', $call));
            $this->assertStringContainsString('--', Artisan::output());
        }
    }

    /** @return list<list<mixed>> */
    private function stored(): array
    {
        return array_values(Item::query()->with(Item::whole())->orderBy('id')->get()->map(fn (Item $item): array => [
            $item->slug,
            $item->title,
            $item->status,
            $item->publish_at?->toIso8601String(),
            $item->expire_at?->toIso8601String(),
            $item->audience,
            $item->lead,
            $item->text,
            $item->fields,
            $item->folded,
            $item->terms->pluck('slug')->sort()->values()->all(),
            $item->author?->email,
            $item->links->map(
                fn (ItemLink $link): array => [
                    $link->field,
                    $link->position,
                    $link->target?->title,
                    $link->person?->email,
                ],
            )->all(),
        ])->all());
    }
}
