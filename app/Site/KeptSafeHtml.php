<?php

declare(strict_types=1);

namespace App\Site;

use App\Content\Html\SafeHtml;
use Illuminate\Contracts\Cache\Repository;

/** Cleans the HTML of definitions once and caches it, because cleaning costs more than drawing. */
final readonly class KeptSafeHtml
{
    private const KEEP_SECONDS = 21_600;

    public function __construct(private SafeHtml $safe, private Repository $cache)
    {
    }

    /** Empty if nothing remains after cleaning. */
    public function of(string $html): string
    {
        return $html === '' ? '' : $this->cache->remember(
            'safe-html:'.hash('xxh128', $html),
            self::KEEP_SECONDS,
            fn (): string => (string) $this->safe->safe($html),
        );
    }
}
