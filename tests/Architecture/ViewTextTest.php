<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\TestCase;

/** Views of visitors' pages hold no text of their own: all of it comes from lang/. */
final class ViewTextTest extends TestCase
{
    /** The bar for managers is Manage's, which speaks English; site maps hold addresses, no text. */
    private const WITHOUT_TEXT_OF_VISITORS = ['manager-bar.blade.php', 'sitemap-index.blade.php', 'sitemap.blade.php'];

    public function test_no_view_of_the_site_says_a_word_itself(): void
    {
        $faults = [];
        $root = dirname(__DIR__, 2).'/resources/views';
        foreach (['site', 'errors'] as $folder) {
            $files = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator("{$root}/{$folder}", \FilesystemIterator::SKIP_DOTS),
            );
            foreach ($files as $file) {
                if (! in_array($file->getFilename(), self::WITHOUT_TEXT_OF_VISITORS, true)) {
                    $faults = [...$faults, ...self::words((string) file_get_contents($file->getPathname()), $file)];
                }
            }
        }
        $this->assertSame([], $faults);
    }

    public function test_a_word_in_a_view_is_found(): void
    {
        $view = "<p @class(['a' => f(1)])>{{ \$name }} Search</p><a title=\"Go on\">@say('x')</a>";
        $this->assertSame(['a view: Search', 'a view: Go on'], self::words($view, 'a view'));
    }

    /** @return list<string> */
    private static function words(string $view, \SplFileInfo|string $name): array
    {
        $view = (string) preg_replace(
            // The last one is a directive with its arguments; parentheses nest.
            [
                '/\{\{--.*?--\}\}/s', '/@php\s.*?@endphp/s', '/\{!!.*?!!\}|\{\{.*?\}\}/s',
                '/@\w+\s*(\((?:[^()]++|(?1))*\))?/',
            ],
            '',
            $view,
        );
        preg_match_all('/\b(?:aria-label|title|placeholder|alt)="([^"]*\p{L}{2}[^"]*)"/u', $view, $attributes);
        preg_match_all('/\p{L}{2}[^<]*/u', (string) preg_replace('/<[^>]*>/', '<>', $view), $texts);

        return array_map(
            fn (string $words): string => "{$name}: ".trim($words),
            [...$texts[0], ...$attributes[1]],
        );
    }
}
