<?php

declare(strict_types=1);

namespace App\Listing\Cache;

use Illuminate\Contracts\Cache\Repository;

/** The cache of results, each with its validity period. */
final readonly class ResultCache
{
    /** Maximum lifetime in seconds, which only limits the size of the cache. */
    public const KEEP_SECONDS = 21_600;

    public function __construct(public Repository $store)
    {
    }

    /**
     * @param  int  $now  seconds since 1970
     * @return array<string, mixed>|null what was put, and `until`; null where nothing is right at that moment
     */
    public function get(string $name, int $now): ?array
    {
        return self::valid($this->store->get($name), $now);
    }

    /**
     * @param  list<string>  $names
     * @return array<string, array<string, mixed>> by name, those that are right at that moment
     */
    public function getMany(array $names, int $now): array
    {
        $found = [];
        foreach ($names === [] ? [] : $this->store->getMultiple($names) as $name => $kept) {
            $found[(string) $name] = self::valid($kept, $now);
        }

        return array_filter($found);
    }

    /**
     * @param  array<string, mixed>  $result
     * @param  int  $from  seconds since 1970
     * @param  int|null  $until  seconds since 1970; the result is invalid from then on; null: it does not expire
     */
    public function put(string $name, array $result, int $from, ?int $until): void
    {
        $this->putMany([$name => $result + ['until' => $until]], $from);
    }

    /**
     * @param  array<string, array<string, mixed>>  $results  by name, each with its `until`
     * @param  int  $from  seconds since 1970
     */
    public function putMany(array $results, int $from): void
    {
        $this->store->setMultiple(
            array_map(fn (array $result): array => $result + ['from' => $from], $results),
            self::KEEP_SECONDS,
        );
    }

    /** @return array<string, mixed>|null */
    private static function valid(mixed $kept, int $now): ?array
    {
        return is_array($kept) && $now >= $kept['from'] && ($kept['until'] === null || $now < $kept['until'])
            ? $kept
            : null;
    }
}
