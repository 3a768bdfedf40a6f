<?php

declare(strict_types=1);

namespace Tests\Architecture;

/** The imports between the folders of a source tree, read from the files themselves. */
final class Imports
{
    /**
     * @param  string  $root  folder of the tree, from the project's own
     * @param  string  $namespace  that the folder stands for, ending in `\`
     * @return array<string, array<string, list<string>>> the files that import, by the importing and the imported
     *   folder; a file that stands at the root counts as a folder of its own name
     */
    public static function php(string $root, string $namespace): array
    {
        $imports = [];
        foreach (self::files($root, '/\.php$/') as $path => $code) {
            preg_match_all(
                '/(?<=[\s(?|&,!])\\\\?'.preg_quote($namespace, '/').'(\w+)/',
                self::withoutComments($code),
                $found,
            );
            foreach (array_unique($found[1]) as $to) {
                self::add($imports, $path, $to);
            }
        }

        return $imports;
    }

    /**
     * @return array<string, array<string, list<string>>> as above, of TypeScript's relative imports
     */
    public static function typeScript(string $root): array
    {
        $imports = [];
        foreach (self::files($root, '/(?<!\.test)\.tsx?$/') as $path => $code) {
            preg_match_all('/(?:from|import)\s*\(?\s*"(\.[^"]+)"/', $code, $found);
            foreach (array_unique($found[1]) as $to) {
                self::add($imports, $path, explode('/', self::resolved(dirname($path).'/'.$to))[0]);
            }
        }

        return $imports;
    }

    /** @return array<string, string> what stands in the files whose names fit, by path within the folder */
    public static function files(string $root, string $pattern): array
    {
        $base = dirname(__DIR__, 2)."/{$root}";
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            $base,
            \FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            if ($file instanceof \SplFileInfo && preg_match($pattern, $file->getFilename()) === 1) {
                $files[substr(
                    $file->getPathname(),
                    strlen($base) + 1,
                )] = (string) file_get_contents($file->getPathname());
            }
        }
        ksort($files);

        return $files;
    }

    /** The code of a PHP file without comments, docblocks and texts. */
    public static function withoutComments(string $code): string
    {
        $kept = '';
        foreach (\PhpToken::tokenize($code) as $token) {
            $kept .= $token->is([T_COMMENT, T_DOC_COMMENT, T_CONSTANT_ENCAPSED_STRING]) ? ' ' : $token->text;
        }

        return $kept;
    }

    /**
     * @param  array<string, array<string, list<string>>>  $imports
     * @return list<string> the folders of a circle, the first once more at its end; none where there is none
     */
    public static function circle(array $imports): array
    {
        $done = [];
        foreach (array_keys($imports) as $folder) {
            $circle = self::visit($folder, [], $imports, $done);
            if ($circle !== []) {
                return $circle;
            }
        }

        return [];
    }

    /**
     * @param  list<string>  $path  the folders that led here
     * @param  array<string, array<string, list<string>>>  $imports
     * @param  array<string, true>  $done  folders from which no circle is reached
     * @return list<string>
     */
    private static function visit(string $folder, array $path, array $imports, array &$done): array
    {
        if (in_array($folder, $path, true)) {
            return [...array_slice($path, (int) array_search($folder, $path, true)), $folder];
        }
        foreach (isset($done[$folder]) ? [] : array_keys($imports[$folder] ?? []) as $to) {
            $circle = self::visit($to, [...$path, $folder], $imports, $done);
            if ($circle !== []) {
                return $circle;
            }
        }
        $done[$folder] = true;

        return [];
    }

    /** @param  array<string, array<string, list<string>>>  $imports */
    private static function add(array &$imports, string $path, string $to): void
    {
        $from = explode('/', $path)[0];
        if ($from !== $to) {
            $imports[$from][$to][] = $path;
        }
    }

    /** A path without `.` and `..`. */
    private static function resolved(string $path): string
    {
        $steps = [];
        foreach (explode('/', $path) as $step) {
            match ($step) {
                '.', '' => null,
                '..' => array_pop($steps),
                default => $steps[] = $step,
            };
        }

        return implode('/', $steps);
    }
}
