<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Catalogue\CatalogueStore;
use App\Import\ImportPlan;
use App\Import\ItemImport;
use Illuminate\Support\Facades\DB;

/** Imports a file of products, beside a plain COPY of the same rows into a table like `items`. */
final readonly class ImportBenchmark implements Benchmark
{
    private const ROWS = 50_000;

    private const WORDS = ['gentle', 'silver', 'autumn', 'tall', 'dwarf', 'golden', 'fern', 'moss', 'garden', 'stone'];

    public function __construct(private ItemImport $import, private CatalogueStore $catalogue)
    {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'bench').'.csv';
        DB::beginTransaction();
        try {
            $this->writeFile($path);
            $import = fn (ImportPlan $plan): float => $this->seconds(fn () => $this->run($path, $plan));
            memory_reset_peak_usage();
            $made = $import(new ImportPlan(makeTerms: true));
            $memory = memory_get_peak_usage(true);
            $copied = $this->seconds(fn () => $this->copy($path));
            $this->writeChanges($path);
            memory_reset_peak_usage();
            $changed = $import(new ImportPlan(mode: 'update'));
            $memory = intdiv(max($memory, memory_get_peak_usage(true)), 2 ** 20);
        } finally {
            // Everything is rolled back.
            DB::rollBack();
            unlink($path);
            $this->catalogue->forget();
        }
        yield new BenchmarkTable(
            ['a file of '.number_format(self::ROWS).' rows with terms', 's', 'plain COPY s', 'MB at most'],
            array_map(fn (string $what, float $seconds): array => [
                $what, number_format($seconds, 1), number_format($copied, 1), $memory,
            ], ['checked, then made as one change', 'checked, then changed as one'], [$made, $changed]),
        );
    }

    private function seconds(\Closure $work): float
    {
        return Stopwatch::milliseconds($work) / 1000;
    }

    private function run(string $path, ImportPlan $plan): void
    {
        $type = $this->catalogue->catalogue()->types['product'];
        $result = $this->import->run($path, $type, $plan, fn (): null => null);
        if ($result->created + $result->changed !== self::ROWS) {
            throw new \RuntimeException("{$result->created} were made and {$result->changed} changed.");
        }
    }

    /** A new price and a new term for each item of the last import. */
    private function writeChanges(string $path): void
    {
        $file = fopen($path, 'wb') ?: throw new \RuntimeException("{$path} cannot be written.");
        fputcsv($file, ['slug', 'price', 'groups'], escape: '');
        $made = DB::table('items')->where('type_key', 'product')->orderByDesc('id')->limit(self::ROWS)->pluck('slug');
        foreach ($made as $n => $slug) {
            fputcsv($file, [$slug, $n % 8000 / 100 + 100, 'Group '.($n % 7 + 1)], escape: '');
        }
        fclose($file);
    }

    private function writeFile(string $path): void
    {
        $file = fopen($path, 'wb') ?: throw new \RuntimeException("{$path} cannot be written.");
        fputcsv($file, ['title', 'price', 'height', 'light', 'groups', 'text'], escape: '');
        for ($n = 1; $n <= self::ROWS; $n++) {
            $word = fn (int $by): string => self::WORDS[intdiv($n * $by, 7) % 10];
            fputcsv($file, [
                ucfirst($word(3))." {$word(11)} {$n}", $n % 9000 / 100, $n % 300 + 1,
                ['sun', 'half-shade', 'shade'][$n % 3], 'Perennials'.($n % 4 === 0 ? ' | Group '.($n % 19 + 1) : ''),
                '<p>'.implode(' ', array_map($word, range(1, 25))).'</p>',
            ], escape: '');
        }
        fclose($file);
    }

    private function copy(string $path): void
    {
        DB::statement('create table copied_items (like items including all)');
        $rows = [];
        $file = fopen($path, 'rb') ?: throw new \RuntimeException("{$path} cannot be read.");
        fgetcsv($file, escape: '');
        while (($cells = fgetcsv($file, escape: '')) !== false) {
            [$title, $price, $height, $light, , $text] = array_map(strval(...), $cells);
            $fields = json_encode(['price' => $price, 'height' => $height, 'light' => $light], JSON_THROW_ON_ERROR);
            $folded = json_encode(['title' => $title, 'text' => strip_tags($text)], JSON_THROW_ON_ERROR);
            $rows[] = implode("\t", ['product', "copied-{$title}", $title, $text, $fields, $folded]);
        }
        fclose($file);
        DB::connection()->getPdo()->pgsqlCopyFromArray(
            'copied_items',
            $rows,
            "\t",
            '\\\\N',
            'type_key, slug, title, text, fields, folded',
        );
    }
}
