<?php

declare(strict_types=1);

namespace App\Site;

use App\Content\Html\SafeHtml;
use Illuminate\Contracts\Cache\Repository;

/** Text with markup that stands in a definition, made safe once and kept: making it so costs more than drawing it. */
final readonly class KeptSafeHtml
{
    private const KEEP_SECONDS = 21_600;

    public function __construct(private SafeHtml $safe, private Repository $cache)
    {
    }

    /** Empty where nothing is left of it. */
    public function of(string $html): string
    {
        return $html === '' ? '' : $this->cache->remember(
            'safe-html:'.hash('xxh128', $html),
            self::KEEP_SECONDS,
            fn (): string => (string) $this->safe->safe($html),
        );
    }
}
