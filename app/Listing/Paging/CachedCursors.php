<?php

declare(strict_types=1);

namespace App\Listing\Paging;

use App\Listing\Cache\ResultCache;
use Illuminate\Contracts\Cache\Repository;

/** Positions in a listing's order, cached as long as the listing. */
final class CachedCursors implements CursorStore
{
    /** The number of cursors in one cache entry. A far page reads one entry, not all. */
    private const BUNDLE = 100;

    /** @param  int|null  $until  timestamp of expiry; null: none */
    public function __construct(
        private readonly Repository $cache,
        private readonly string $name,
        private readonly int $now,
        private readonly ?int $until,
    ) {
    }

    public function before(int $from): ?array
    {
        $index = $this->cache->get("{$this->name}:cursor-values");
        if (
            ! is_array($index)
            || $this->now < $index['from']
            || $index['until'] !== null
            && $this->now >= $index['until']
        ) {
            return null;
        }
        $bundle = null;
        foreach ($index['bundles'] as $i => $first) {
            if ($first >= $from) {
                break;
            }
            $bundle = $i;
        }
        $records = $bundle === null ? null : $this->cache->get("{$this->name}:cursor-values:{$bundle}");
        $known = null;
        foreach (is_array($records) ? $records : [] as $place => $values) {
            if ($place >= $from) {
                break;
            }
            $known = ['place' => (int) $place, 'values' => $values];
        }

        return $known;
    }

    public function note(array $records): void
    {
        $bundles = [];
        foreach (array_chunk($records, self::BUNDLE, true) as $i => $some) {
            $this->cache->put("{$this->name}:cursor-values:{$i}", $some, ResultCache::KEEP_SECONDS);
            $bundles[$i] = array_key_first($some);
        }
        $this->cache->put(
            "{$this->name}:cursor-values",
            ['from' => $this->now, 'until' => $this->until, 'bundles' => $bundles],
            ResultCache::KEEP_SECONDS,
        );
    }
}
