<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/**
 * A whole page as it was made, without its body: the body lies under the hash of its bytes, so that equal pages share
 * one.
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
     * @param  int|null  $until  timestamp; null: for good
     * @param  list<string>  $known  the parameters that the page reads
     * @param  int|null  $item  whose page it is, for counting views
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

    /** The entity tag. Weak, since the packed and the plain body share it (RFC 9110, 8.8.1). */
    public function tag(): string
    {
        return "W/\"{$this->hash}\"";
    }
}
