<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How the code is set, where no other tool looks: Pint breaks no line of PHP, and Biome none of a comment. */
final class StyleTest extends TestCase
{
    private const COLUMNS = 120;

    /** @return iterable<string, array{string, string, string}> folder, files, and which lines are looked at */
    public static function folders(): iterable
    {
        foreach (['app', 'config', 'core', 'database', 'routes', 'tests'] as $folder) {
            yield $folder => [$folder, '/\.php$/', '/./'];
        }
        yield 'views' => ['resources/views', '/\.blade\.php$/', '/./'];
        yield 'styles' => ['resources/css', '/\.css$/', '/./'];
        yield 'bin' => ['bin', '/./', '/./'];
        // The types of the API are made by a program.
        $written = '/(?<!schema\.d)\.tsx?$/';
        yield 'comments of the front end' => ['resources/js', $written, '#^\s*(/\*\*|\*|// (?!biome))#'];
    }

    #[DataProvider('folders')]
    public function test_no_line_is_longer_than_120_columns(string $folder, string $files, string $looked): void
    {
        $long = [];
        foreach (Imports::files($folder, $files) as $path => $code) {
            foreach (explode("\n", $code) as $i => $line) {
                if (mb_strlen(str_replace("\t", '    ', $line)) > self::COLUMNS && preg_match($looked, $line) === 1) {
                    $long[] = "{$folder}/{$path}:".($i + 1);
                }
            }
        }
        $this->assertSame([], $long);
    }
}
