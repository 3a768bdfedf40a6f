<?php

declare(strict_types=1);

namespace Wellspring\Core\Who;

/** An audience: everyone, or signed-out visitors, members and named groups in any combination. */
final readonly class Audience
{
    public const EVERYONE = 'everyone';

    public const SIGNED_OUT = 'signed-out';

    public const MEMBERS = 'members';

    /** Prefix of a group's key: `group:friends`. */
    public const GROUP = 'group:';

    /** @param  non-empty-list<string>  $keys  sorted, none twice */
    private function __construct(public array $keys)
    {
    }

    public static function everyone(): self
    {
        return new self([self::EVERYONE]);
    }

    public static function signedOut(): self
    {
        return new self([self::SIGNED_OUT]);
    }

    public static function members(): self
    {
        return new self([self::MEMBERS]);
    }

    /**
     * @param  list<string>  $keys  empty: everyone
     *
     * @throws \InvalidArgumentException where one is no key of an audience
     */
    public static function of(array $keys): self
    {
        foreach ($keys as $key) {
            if (! self::isKey($key)) {
                throw new \InvalidArgumentException("“{$key}” is no audience.");
            }
        }
        $keys = array_values(array_unique($keys));
        sort($keys);

        return $keys === [] || in_array(self::EVERYONE, $keys, true) ? self::everyone() : new self($keys);
    }

    public static function isKey(string $key): bool
    {
        return in_array($key, [self::EVERYONE, self::SIGNED_OUT, self::MEMBERS], true)
            || preg_match('/^group:[a-z0-9-]{1,64}$/D', $key) === 1;
    }

    public function admits(Viewer $viewer): bool
    {
        return array_intersect($this->keys, $viewer->belongsTo()) !== [];
    }

    /** @return list<string> the keys of the named groups */
    public function groups(): array
    {
        $groups = array_filter($this->keys, fn (string $key): bool => str_starts_with($key, self::GROUP));

        return array_values(array_map(fn (string $key): string => substr($key, strlen(self::GROUP)), $groups));
    }

    public function words(): string
    {
        return implode(' and ', array_map(self::keyWords(...), $this->keys));
    }

    /** @param  string|null  $name  of a group, if known */
    public static function keyWords(string $key, ?string $name = null): string
    {
        return match (true) {
            $key === self::EVERYONE => 'everyone',
            $key === self::SIGNED_OUT => 'signed-out visitors',
            $key === self::MEMBERS => 'members',
            default => 'the group '.($name ?? substr($key, strlen(self::GROUP))),
        };
    }
}
