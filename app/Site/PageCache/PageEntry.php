<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/**
 * A cached page without its body. The body is stored under the hash of its bytes, so equal pages share one.
 */
final readonly class PageEntry
{
    /**
     * @param  int  $status  of HTTP
     * @param  list<string>  $headers  lines
     * @param  string  $hash  of the body
     * @param  string  $keys  of marks, as PostgreSQL writes an array; see ContentMarks
     * @param  string  $mark  of all the keys together
     * @param  int  $from  timestamp at which it was made
     * @param  int|null  $until  timestamp; null if the page does not expire
     * @param  list<string>  $known  the parameters that the page reads
     * @param  int|null  $item  the page's item, for counting views
     * @param  string  $timeZone  the site's, in which views are counted by day
     */
    public function __construct(
        public int $status,
        public array $headers,
        public string $hash,
        public string $keys,
        public string $mark,
        public int $from,
        public ?int $until,
        public array $known,
        public ?int $item,
        public string $timeZone,
    ) {
    }

    /** @param  int  $now  timestamp */
    public function isInTime(int $now): bool
    {
        return $now >= $this->from && ($this->until === null || $now < $this->until);
    }

    /** The entity tag. It is weak because compressed and plain bodies share it (RFC 9110, 8.8.1). */
    public function tag(): string
    {
        return "W/\"{$this->hash}\"";
    }
}
