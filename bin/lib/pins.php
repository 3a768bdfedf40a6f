<?php

declare(strict_types=1);

/*
 * Pins every PHP package, direct and indirect, by version and by the hash of its files: Composer writes no lock file
 * with the stand-ins of compat/. The pins stand in composer.pins, a line each: name, version, hash.
 *   php bin/lib/pins.php with     prints what makes Composer choose the pinned versions, a line each
 *   php bin/lib/pins.php check    fails, naming each package in vendor/ that is not the pinned one
 *   php bin/lib/pins.php write    pins what is in vendor/ now
 */
const FROM_DEBIAN = '-';

$root = dirname(__DIR__, 2);
$file = "{$root}/composer.pins";

/** @return array<string, array{string, string}> version and hash by name */
function pinned(string $file): array
{
    $pins = [];
    foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
        [$name, $version, $hash] = explode(' ', $line) + ['', '', ''];
        $pins[$name] = [$version, $hash];
    }

    return $pins;
}

/** The hash of all files below a folder, with their paths. */
function hashOfFiles(string $folder): string
{
    $hashes = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    /** @var SplFileInfo $one */
    foreach ($files as $one) {
        $path = $one->getPathname();
        $hashes[substr($path, strlen($folder) + 1)] = is_link($path)
            ? 'link '.readlink($path)
            : hash_file('sha256', $path);
    }
    ksort($hashes, SORT_STRING);

    return hash('sha256', (string) json_encode($hashes, JSON_THROW_ON_ERROR));
}

/** @return array<string, array{string, string}> version and hash by name; packages from Debian have no hash here */
function installed(string $root): array
{
    $found = [];
    $data = json_decode(
        (string) file_get_contents("{$root}/vendor/composer/installed.json"),
        true,
        flags: JSON_THROW_ON_ERROR,
    );
    foreach ($data['packages'] as $package) {
        $isPath = ($package['dist']['type'] ?? '') === 'path';
        $folder = (string) realpath("{$root}/vendor/composer/{$package['install-path']}");
        $found[$package['name']] = [$package['version'], $isPath ? FROM_DEBIAN : hashOfFiles($folder)];
    }
    ksort($found);

    return $found;
}

switch ($argv[1] ?? '') {
    case 'with':
        foreach (pinned($file) as $name => [$version, $hash]) {
            echo $hash === FROM_DEBIAN ? '' : "--with={$name}:{$version}\n";
        }
        exit(0);
    case 'write':
        $lines = '';
        foreach (installed($root) as $name => [$version, $hash]) {
            $lines .= "{$name} {$version} {$hash}\n";
        }
        file_put_contents($file, $lines);
        exit(0);
    case 'check':
        [$pins, $installed] = [pinned($file), installed($root)];
        $wrong = [];
        foreach ($pins + $installed as $name => $pin) {
            [$is, $should] = [$installed[$name] ?? null, $pins[$name] ?? null];
            if ($is !== $should && ($is === null || $should === null || $should[1] !== FROM_DEBIAN)) {
                $wrong[] = match (true) {
                    $is === null => "{$name} is pinned at {$should[0]} and not installed.",
                    $should === null => "{$name} {$is[0]} is installed and not pinned.",
                    $is[0] !== $should[0] => "{$name}: expected version {$should[0]}, found {$is[0]}.",
                    default => "{$name} {$is[0]}: its files are not those that were pinned.",
                };
            }
        }
        foreach ($wrong as $line) {
            fwrite(STDERR, "{$line}\n");
        }
        exit($wrong === [] ? 0 : 1);
    default:
        fwrite(STDERR, "expected with, check or write.\n");
        exit(2);
}
