<?php

declare(strict_types=1);

namespace Tests\Support;

/** Names of the request headers that the application, the framework or its HTTP library read, found in their code. */
final class RequestHeaders
{
    private const FOLDERS = [
        'app', 'bootstrap', 'public', 'resources/views', 'vendor/laravel/framework/src/Illuminate',
        'vendor/symfony/http-foundation', 'vendor/symfony/http-kernel', 'vendor/symfony/routing',
    ];

    /** A header is read by a method of the request, as a server variable, or through a constant that holds its name. */
    private const READS = [
        '/(?:headers->(?:get|has|all|contains)|->header|hasHeader)\(\s*[\'"]([A-Za-z][\w-]+)[\'"]/',
        '/[\'"]HTTP_([A-Z][A-Z_]+)[\'"]/',
        '/[\'"]((?:X|Sec)[-_][A-Za-z_-]+|Forwarded)[\'"]/i',
    ];

    /** Headers that say where the body ends; another server or client takes them for its own. */
    private const FRAMING = ['content-length', 'transfer-encoding', 'expect', 'host', 'connection'];

    /** @return list<string> in small letters */
    public static function all(): array
    {
        $names = [];
        foreach (self::FOLDERS as $folder) {
            $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
                dirname(__DIR__, 2)."/{$folder}",
                \FilesystemIterator::SKIP_DOTS,
            ));
            /** @var \SplFileInfo $file */
            foreach ($files as $file) {
                $code = $file->getExtension() === 'php' ? (string) file_get_contents($file->getPathname()) : '';
                foreach (self::READS as $pattern) {
                    preg_match_all($pattern, $code, $found);
                    foreach ($found[1] as $name) {
                        $names[strtolower(strtr($name, '_', '-'))] = true;
                    }
                }
            }
        }

        return array_values(array_diff(array_keys($names), self::FRAMING));
    }
}
