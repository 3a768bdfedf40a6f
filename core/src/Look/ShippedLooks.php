<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** The looks in core/data/looks, which ship with the application. */
final class ShippedLooks
{
    /** The default look of a site. */
    public const FIRST = 'quillmoor';

    /** @var non-empty-list<string> */
    private const KEYS = [self::FIRST, 'slate-house', 'seed-packet', 'night-glasshouse'];

    /** @return non-empty-array<string, Look> by key */
    public static function all(): array
    {
        $looks = [];
        foreach (self::KEYS as $key) {
            $looks[$key] = self::read($key);
        }

        return $looks;
    }

    public static function first(): Look
    {
        return self::read(self::FIRST);
    }

    private static function read(string $key): Look
    {
        $file = __DIR__."/../../data/looks/{$key}.json";

        return LookReader::read(json_decode((string) file_get_contents($file), true));
    }
}
