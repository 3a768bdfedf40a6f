<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\TestCase;

/** Who may know whom: read from the real imports of PHP and of TypeScript. */
final class LayersTest extends TestCase
{
    /** The folders of core, from the ground up; each may use those before it. */
    private const CORE = [
        'Text', 'Map', 'Problem', 'Time', 'Who', 'Wording', 'Option', 'Video', 'Look', 'Content', 'Context',
        'Filter', 'Source', 'Sort', 'Paging', 'Empty', 'Arrangement', 'Card', 'Choice',
        'Module', 'Page', 'Run', 'Explain',
    ];

    /** The folders of the application, likewise. */
    private const APP = [
        'Enums', 'Database', 'Casts',
        'Models',
        'Freshness',
        'Audit',
        'Catalogue',
        'Tasks',
        'Listing',
        'History',
        'Content',
        'Modules',
        'Pages',
        'Look',
        'ViewCounts',
        'Video',
        'Wording',
        'Site',
        'Search',
        'Media', 'Import', 'Export', 'Mail', 'People', 'Sets', 'Benchmark',
    ];

    /** Laravel's own folders of the application, which put the others to use and are used by none of them. */
    private const ENTRANCES = ['Console', 'Http', 'Jobs', 'Policies', 'Providers'];

    /** The folders of the manage screens, likewise, and the scripts of the visitor's pages before them. */
    private const SCREENS = [
        'site', 'shared', 'content', 'files', 'modules', 'people', 'types', 'terms', 'bench', 'pages', 'settings',
        'look', 'main.tsx',
    ];

    public function test_no_folder_of_core_uses_what_stands_after_it(): void
    {
        $this->assertLayered(self::CORE, Imports::php('core/src', 'Wellspring\\Core\\'));
    }

    public function test_no_folder_of_the_application_uses_what_stands_after_it(): void
    {
        $imports = array_diff_key(Imports::php('app', 'App\\'), array_flip(self::ENTRANCES));
        $this->assertLayered(self::APP, $imports);
    }

    public function test_no_screen_is_used_by_what_is_shared(): void
    {
        $this->assertLayered(self::SCREENS, Imports::typeScript('resources/js/manage'));
    }

    public function test_the_drawing_shows_the_imports_as_they_are(): void
    {
        $file = dirname(__DIR__, 2).'/'.HouseDrawing::FILE;
        $this->assertSame(HouseDrawing::svg(), file_get_contents($file), 'bin/draw draws it anew');
    }

    public function test_a_circle_is_found(): void
    {
        $this->assertSame(
            ['a', 'b', 'c', 'a'],
            Imports::circle(['a' => ['b' => ['x']], 'b' => ['c' => ['y']], 'c' => ['a' => ['z']]]),
        );
        $this->assertSame([], Imports::circle(['a' => ['b' => ['x'], 'c' => ['x']], 'b' => ['c' => ['y']]]));
    }

    /**
     * What no file below a folder may name.
     *
     * @return iterable<string, array{string, string, string, list<string>}> folder, pattern, why, and the folders and
     *   files that may
     */
    public static function forbidden(): iterable
    {
        $sql = '/\bDB::|->(where|select|orderBy|groupBy|join|from)Raw\(|->selectRaw\(/';
        yield 'core names no framework' => ['core/src', '/\b(Illuminate|App|Symfony)\\\\/', 'core is plain PHP', []];
        yield 'core has no clock' => [
            'core/src',
            '/\\b(time|microtime|gmdate|now|strtotime|date_create)\\(|new '
                ."\\\\?DateTime(Immutable)?(\\(\\))?[;,)]|DateTimeImmutable\\('now'/",
            'now is always passed in',
            [],
        ];
        yield 'core speaks no SQL' => [
            'core/src',
            '/\b(DB|PDO|pg_\w+)\b(::|\()|\bselect\s+\S+\s+from\b/i',
            'queries stand in app/Listing',
            [],
        ];
        yield 'the request is asked by Http alone' => [
            'app',
            '/(?<![\w>:])(request|auth|session|cookie)\(|Facades\\\\(Request|Session|Cookie)\b/',
            'what a request says is passed on as values',
            ['Http/', 'Providers/'],
        ];
        yield 'who acts is told by the actor' => [
            'app',
            '/Facades\\\\Auth\b/',
            'App\Audit\Actor says who acts',
            ['Http/', 'Audit/Actor.php'],
        ];
        yield 'controllers hold no SQL' => ['app/Http', $sql, 'queries stand in Listing, Catalogue and the stores', []];
    }

    /**
     * @param  list<string>  $except
     */
    #[\PHPUnit\Framework\Attributes\DataProvider('forbidden')]
    public function test_nothing_is_named_where_it_must_not_be(
        string $folder,
        string $pattern,
        string $why,
        array $except,
    ): void {
        $found = [];
        foreach (Imports::files($folder, '/\.php$/') as $path => $code) {
            $excepted = array_filter($except, fn (string $one): bool => str_starts_with($path, $one)) !== [];
            if (! $excepted && preg_match($pattern, Imports::withoutComments($code), $name) === 1) {
                $found[] = "{$path}: {$name[0]}";
            }
        }
        $this->assertSame([], $found, $why);
    }

    /**
     * @param  list<string>  $order
     * @param  array<string, array<string, list<string>>>  $imports
     */
    private function assertLayered(array $order, array $imports): void
    {
        $this->assertSame([], Imports::circle($imports));
        $this->assertSame(
            [],
            array_values(array_diff(array_keys($imports), $order)),
            'every folder has its place in the list',
        );
        $place = array_flip($order);
        $wrong = [];
        foreach ($imports as $from => $all) {
            foreach ($all as $to => $files) {
                if (! isset($place[$to]) || $place[$to] > $place[$from]) {
                    $wrong[] = "{$from} uses {$to}: ".implode(', ', array_unique($files));
                }
            }
        }
        $this->assertSame([], $wrong);
    }
}
