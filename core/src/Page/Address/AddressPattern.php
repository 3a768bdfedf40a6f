<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Address;

/** The address of a page, with at most one placeholder for a whole segment: `/groups/{group}`. */
final readonly class AddressPattern
{
    private const SEGMENT = '/^(?:[A-Za-z0-9._~-]+|\{[a-z][a-z0-9_-]{0,62}\})$/D';

    /** @param  list<string>  $segments */
    private function __construct(public string $pattern, private array $segments)
    {
    }

    /** @throws \InvalidArgumentException where it is no address of a page */
    public static function of(string $pattern): self
    {
        $segments = $pattern === '/' ? [] : explode('/', substr($pattern, 1));
        $placeholders = array_filter($segments, fn (string $one): bool => str_starts_with($one, '{'));
        $wrong = array_filter($segments, fn (string $one): bool => preg_match(self::SEGMENT, $one) !== 1);
        if (! str_starts_with($pattern, '/') || strlen($pattern) > 255 || $wrong !== [] || count($placeholders) > 1) {
            throw new \InvalidArgumentException("“{$pattern}” is no address of a page.");
        }

        return new self($pattern, $segments);
    }

    /** @return string|null the name of the placeholder; null where it has none */
    public function placeholder(): ?string
    {
        foreach ($this->segments as $segment) {
            if (self::isPlaceholder($segment)) {
                return substr($segment, 1, -1);
            }
        }

        return null;
    }

    /**
     * @param  string  $path  of an address, with its leading slash; case-sensitive
     * @return string|null what stands in the place of the placeholder, '' without one; null where it does not fit
     */
    public function match(string $path): ?string
    {
        $given = $path === '/' ? [] : explode('/', substr($path, 1));
        if (count($given) !== count($this->segments)) {
            return null;
        }
        $found = '';
        foreach ($this->segments as $i => $segment) {
            if (self::isPlaceholder($segment)) {
                $found = $given[$i];
                if ($found === '') {
                    return null;
                }
            } elseif ($segment !== $given[$i]) {
                return null;
            }
        }

        return $found;
    }

    /** The address with the placeholder filled in. */
    public function filled(string $slug): string
    {
        return '/'.implode('/', array_map(
            fn (string $segment): string => self::isPlaceholder($segment) ? rawurlencode($slug) : $segment,
            $this->segments,
        ));
    }

    /**
     * Compares two patterns that fit the same address. The better one comes first: segment by segment from the left, a
     * literal beats a placeholder.
     */
    public function compareTo(self $other): int
    {
        $kinds = fn (self $one): array => array_map(self::isPlaceholder(...), $one->segments);

        return $kinds($this) <=> $kinds($other);
    }

    private static function isPlaceholder(string $segment): bool
    {
        return str_starts_with($segment, '{');
    }
}
