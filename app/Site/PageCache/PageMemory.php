<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/**
 * Cached pages in memory that all workers of a machine share (APCu). Each machine has its own; the database decides
 * whether an entry is valid.
 */
final readonly class PageMemory
{
    /**
     * The least recently used entries are evicted when less than this share of the memory is free, until twice as much
     * is free.
     */
    private const FREE = 0.1;

    /** Timeout of the lock, in seconds: after it, another request may make the page. */
    private const LOCK_SECONDS = 10;

    /** How long, in seconds, an address is remembered as not cacheable. */
    private const NOT_KEPT_SECONDS = 5;

    private const ENTRY = 'e';

    private const BODY = 'b';

    private const PACKED = 'z';

    /** Key prefix: the parameters that the page at an address reads. */
    private const KNOWN = 'k';

    private const STATE = 's';

    private const LOCK = 'l';

    private const NOT_KEPT = 'n';

    /** Cache slots for addresses with unbounded parameter combinations: several choices, ranges, words. */
    private const MANY = 2_048;

    /** Key prefix: the address that was requested last in a slot. */
    private const ASKED = 'a';

    /** Key prefix: the address that is cached in a slot. */
    private const SLOT = 'v';

    public function __construct(private string $release)
    {
    }

    /** The cache key of the requested page, if the parameters that it reads are known. */
    public function name(PageRequest $request): string
    {
        /** @var list<string>|false $known */
        $known = $this->read(self::KNOWN, $request->place);

        return $request->name($known === false ? [] : $known);
    }

    /** The entry of the requested page, valid or not. */
    public function entry(PageRequest $request): ?PageEntry
    {
        /** @var list<string>|false|null $known */
        $known = $request->parameters === [] ? null : $this->read(self::KNOWN, $request->place);
        if ($known === false) {
            return null;
        }
        $entry = $this->read(self::ENTRY, is_array($known) ? $request->name($known) : $request->place);

        // If the page reads other parameters than expected, its key is different.
        return $entry instanceof PageEntry && ($known === null || $known === $entry->known) ? $entry : null;
    }

    /** @return string|null the state of the database in which the entry was right last; null where none is known */
    public function state(PageEntry $entry): ?string
    {
        $state = $this->read(self::STATE, self::what($entry));

        return is_string($state) ? $state : null;
    }

    public function setState(PageEntry $entry, string $state): void
    {
        $this->write(self::STATE, self::what($entry), $state);
    }

    /** @return string|null null where it has gone */
    public function body(PageEntry $entry, bool $packed): ?string
    {
        $body = $this->read($packed ? self::PACKED : self::BODY, $entry->hash);

        return is_string($body) ? $body : null;
    }

    /**
     * @param  array<string, string>  $parameters  the parameters of the page
     * @param  bool  $isOneOfMany  true for unbounded parameter combinations: such a page is cached at its second
     *   request and replaces another one in its slot
     * @return bool whether it is kept
     */
    public function keep(
        PageRequest $request,
        array $parameters,
        PageEntry $entry,
        string $body,
        bool $isOneOfMany = false,
    ): bool {
        $name = $request->with($parameters)->name($entry->known);
        if ($isOneOfMany && ! $this->admits($name)) {
            return false;
        }
        $packed = (string) gzencode($body, 6);
        $this->makeRoom(strlen($body) + strlen($packed));
        $this->write(self::BODY, $entry->hash, $body);
        $this->write(self::PACKED, $entry->hash, $packed);
        $this->write(self::KNOWN, $request->place, $entry->known);
        $this->write(self::ENTRY, $name, $entry);

        return true;
    }

    /** True if a page with unbounded parameters may be cached: it was requested before, and its slot is free for it. */
    private function admits(string $name): bool
    {
        $slot = (string) (crc32($name) % self::MANY);
        if ($this->read(self::ASKED, $slot) !== $name) {
            $this->write(self::ASKED, $slot, $name);

            return false;
        }
        $before = $this->read(self::SLOT, $slot);
        if (is_string($before) && $before !== $name) {
            apcu_delete($this->key(self::ENTRY, $before));
        }
        $this->write(self::SLOT, $slot, $name);

        return true;
    }

    /** @return int|null a token that releases the lock; null while another request makes the page */
    public function lock(string $name): ?int
    {
        $token = random_int(1, PHP_INT_MAX);

        return apcu_add($this->key(self::LOCK, $name), $token, self::LOCK_SECONDS) ? $token : null;
    }

    /** Releases the lock, unless it timed out and another request holds it. */
    public function unlock(string $name, int $token, bool $isKept): void
    {
        if (! $isKept) {
            apcu_store($this->key(self::NOT_KEPT, $name), 1, self::NOT_KEPT_SECONDS);
        }
        if (apcu_cas($this->key(self::LOCK, $name), $token, 0)) {
            apcu_delete($this->key(self::LOCK, $name));
        }
    }

    /** True if it is useless to wait for the page of another request. */
    public function isNotKept(string $name): bool
    {
        return (bool) apcu_exists($this->key(self::NOT_KEPT, $name));
    }

    private function read(string $kind, string $name): mixed
    {
        return apcu_fetch($this->key($kind, $name));
    }

    private function write(string $kind, string $name, mixed $value): void
    {
        apcu_store($this->key($kind, $name), $value);
    }

    private function key(string $kind, string $name): string
    {
        return "wellspring:{$this->release}:{$kind}:{$name}";
    }

    /** Entries with the same keys and the same mark are valid in the same database states. */
    private static function what(PageEntry $entry): string
    {
        return "{$entry->keys} {$entry->mark}";
    }

    /** Without this, APCu would drop all entries when it is full. */
    private function makeRoom(int $bytes): void
    {
        $memory = apcu_sma_info(true);
        if (! is_array($memory)) {
            return;
        }
        $all = $memory['num_seg'] * $memory['seg_size'];
        $missing = $all * self::FREE + $bytes - $memory['avail_mem'];
        if ($missing <= 0) {
            return;
        }
        $missing += $all * self::FREE;
        $entries = [];
        // Of all entries, cached listings included.
        foreach (new \APCUIterator(null, APC_ITER_KEY | APC_ITER_ATIME | APC_ITER_MEM_SIZE) as $key => $entry) {
            $entries[(string) $key] = [$entry['access_time'], $entry['mem_size']];
        }
        uasort($entries, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($entries as $key => [, $size]) {
            if ($missing <= 0) {
                return;
            }
            apcu_delete((string) $key);
            $missing -= $size;
        }
    }
}
