<?php

declare(strict_types=1);

namespace App\Tasks;

/** The kinds of long work by their stored names. */
final readonly class LongWorkRegister
{
    /** @var array<string, class-string<LongWork<array<string, mixed>>>> by key */
    private array $kinds;

    /** @param  list<class-string<LongWork<array<string, mixed>>>>  $kinds */
    public function __construct(array $kinds)
    {
        $this->kinds = array_combine(array_map(fn (string $kind): string => $kind::key(), $kinds), $kinds);
    }

    /** @return list<string> keys of the kinds that nobody waits for */
    public function onlyReading(): array
    {
        return array_keys(array_filter(
            $this->kinds,
            fn (string $kind): bool => is_subclass_of($kind, OnlyReads::class),
        ));
    }

    /**
     * @return LongWork<array<string, mixed>>
     *
     * @throws \OutOfBoundsException where no kind has the key
     */
    public function work(string $key): LongWork
    {
        return app(
            $this->kinds[$key] ?? throw new \OutOfBoundsException("There is no long work \u{201C}{$key}\u{201D}."),
        );
    }
}
