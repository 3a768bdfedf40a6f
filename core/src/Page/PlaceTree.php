<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * The pages of the site as a tree of addresses. A person ticks the pages that show a block of the frame: one page, or
 * one page with all below it. If new pages show the block too, the place names the pages without a tick. Otherwise it
 * names the pages with a tick.
 */
final readonly class PlaceTree
{
    /** @var array<string, string> title by address, each page before those below it */
    private array $titles;

    /** @var list<string> in the same order */
    private array $addresses;

    /** @var array<string, int> the place of each address in that order */
    private array $places;

    /** @param  array<string, string>  $titles  title by address; an address may have a placeholder */
    public function __construct(array $titles)
    {
        // The slash sorts before every other character, so each page is followed by those below it.
        $sortKey = fn (string $address): string => strtr($address, '/', "\x01");
        uksort($titles, fn (string $one, string $other): int => $sortKey($one) <=> $sortKey($other));
        $this->titles = $titles;
        $this->addresses = array_map(strval(...), array_keys($titles));
        $this->places = array_flip($this->addresses);
    }

    /**
     * @return list<array{address: string, title: string, depth: int, shows: bool, branch: bool|null}> `branch`: true if
     *   it shows on the page and on all below it; null if no page is below
     */
    public function rows(Place $place): array
    {
        $rows = $above = [];
        foreach ($this->titles as $address => $title) {
            while ($above !== [] && ! self::isBelow($address, end($above))) {
                array_pop($above);
            }
            $below = $this->below($address);
            $rows[] = [
                'address' => $address,
                'title' => $title,
                'depth' => count($above),
                'shows' => $place->admitsPage($address),
                'branch' => $below === [] ? null : array_filter(
                    [$address, ...$below],
                    fn (string $one): bool => ! $place->admitsPage($one),
                ) === [],
            ];
            $above[] = $address;
        }

        return $rows;
    }

    /**
     * The place after a tick.
     *
     * @param  string  $address  of one of the pages
     * @param  bool  $shows  true if it shows there
     * @param  bool  $below  true if the same applies to all pages below, including future ones
     */
    public function ticked(Place $place, string $address, bool $shows, bool $below): Place
    {
        $names = $shows !== $place->takesNewPages()
            ? $this->marked($place->names, $address, $below)
            : $this->unmarked($place->names, $address, $below);

        return Place::of($place->takesNewPages(), $names);
    }

    /** The same pages as now, with another rule for future pages. */
    public function withNewPages(Place $place, bool $takesNewPages): Place
    {
        if ($takesNewPages === $place->takesNewPages()) {
            return $place;
        }
        $marked = array_values(array_filter(
            $this->addresses,
            fn (string $address): bool => $place->admitsPage($address) !== $takesNewPages,
        ));

        return Place::of($takesNewPages, $this->shortened($marked));
    }

    /** The place in one sentence, with the titles of the pages: “Only on Shop and all below it.” */
    public function sentence(Place $place): string
    {
        $names = array_map(fn (string $name): string => match (true) {
            isset($this->titles[$name]) => $this->titles[$name],
            Place::branchOf($name) === null => $name,
            Place::branchOf($name) === '' => 'all pages',
            default => ($this->titles[Place::branchOf($name)] ?? Place::branchOf($name)).' and all below it',
        }, $place->names);
        $list = count($names) < 2
            ? implode('', $names)
            : implode(', ', array_slice($names, 0, -1)).' and '.end($names);

        return match (true) {
            $place->takesNewPages() && $names === [] => 'On every page, new pages too.',
            $place->takesNewPages() => "On every page except {$list}; new pages too.",
            $names === [] => 'On no page.',
            default => "Only on {$list}.",
        };
    }

    /**
     * @param  list<string>  $names
     * @return list<string> with the page named, too
     */
    private function marked(array $names, string $address, bool $below): array
    {
        if (! $below) {
            return Place::isNamedBy($names, $address) ? $names : [...$names, $address];
        }
        $others = array_filter(
            $names,
            fn (string $name): bool => $name !== $address && ! self::isBelow(Place::branchOf($name) ?? $name, $address)
                && Place::branchOf($name) !== $address,
        );

        return [...array_values($others), Place::allBelow($address)];
    }

    /**
     * @param  list<string>  $names
     * @return list<string> without the page; a branch that holds the page is replaced by the names of its other pages
     */
    private function unmarked(array $names, string $address, bool $below): array
    {
        $left = [];
        foreach ($names as $name) {
            $from = Place::branchOf($name);
            $isGone = $name === $address || $below && (
                $from === $address || self::isBelow($from ?? $name, $address)
            );
            if ($isGone) {
                continue;
            }
            array_push($left, ...$from !== null && ($from === $address || self::isBelow($address, $from))
                ? $this->around($from, $address, $below)
                : [$name]);
        }

        return $left;
    }

    /** @return list<string> the names of a branch without one of its pages, or without all below that page, too */
    private function around(string $branch, string $address, bool $below): array
    {
        $names = $branch === $address || ! isset($this->titles[$branch]) ? [] : [$branch];
        foreach ($this->children($branch) as $child) {
            $names = [...$names, ...match (true) {
                $child === $address && $below => [],
                $child === $address, self::isBelow($address, $child) => $this->around($child, $address, $below),
                default => [$this->below($child) === [] ? $child : Place::allBelow($child)],
            }];
        }

        return $names;
    }

    /**
     * @param  list<string>  $addresses  of pages
     * @return list<string> names of the same pages: one for a page with all below where all are among them
     */
    private function shortened(array $addresses): array
    {
        $names = [];
        foreach ($addresses as $address) {
            $below = $this->below($address);
            if (! Place::isNamedBy($names, $address)) {
                $names[] = $below !== [] && array_diff($below, $addresses) === []
                    ? Place::allBelow($address)
                    : $address;
            }
        }

        return $names;
    }

    /** @return list<string> the addresses below one, at any depth */
    private function below(string $address): array
    {
        if (! isset($this->places[$address])) {
            // There may be no page with the address itself, as with `/groups/*` on a site without a page `/groups`.
            return array_values(array_filter(
                $this->addresses,
                fn (string $one): bool => self::isBelow($one, $address),
            ));
        }
        $below = [];
        // The pages below follow the page in the sorted list.
        for ($at = $this->places[$address] + 1; isset($this->addresses[$at]); $at++) {
            if (! self::isBelow($this->addresses[$at], $address)) {
                break;
            }
            $below[] = $this->addresses[$at];
        }

        return $below;
    }

    /** @return list<string> the addresses below one that are below no other of these */
    private function children(string $address): array
    {
        $children = [];
        foreach ($address === '' ? $this->addresses : $this->below($address) as $one) {
            if ($children === [] || ! self::isBelow($one, end($children))) {
                $children[] = $one;
            }
        }

        return $children;
    }

    /** The home page, `/`, has no pages below it in the tree, although every address begins with its address. */
    private static function isBelow(string $address, string $above): bool
    {
        return $above !== '/' && $address !== $above && str_starts_with($address, "{$above}/");
    }
}
