<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Taxonomy;

use Wellspring\Core\Text\Fold;

/** The terms of one taxonomy in their order, with the terms below each. */
final class TermTree
{
    /** @var array<string, Term> */
    private array $bySlug = [];

    /** @var array<string, list<string>> slugs of the children, by the parent's slug; the roots under '' */
    private array $children = [];

    /** @var array<string, array<string, list<string>>>|null slugs by folded name, by the parent's; made when asked */
    private ?array $named = null;

    /** @param  iterable<Term>  $terms */
    public function __construct(iterable $terms = [])
    {
        foreach ($terms as $term) {
            $this->bySlug[$term->slug] = $term;
            $this->children[$term->parent ?? ''][] = $term->slug;
        }
    }

    public function with(Term $term): self
    {
        return new self([...$this->all(), $term]);
    }

    public function find(string $slug): ?Term
    {
        return $this->bySlug[$slug] ?? null;
    }

    /** @return list<Term> */
    public function all(): array
    {
        return array_values($this->bySlug);
    }

    /** @return list<string> the slug itself and all below it; nothing for an unknown slug */
    public function withBelow(string $slug): array
    {
        if (! isset($this->bySlug[$slug])) {
            return [];
        }
        $found = [$slug => true];
        for ($open = [$slug]; $open !== [];) {
            foreach ($this->children[array_pop($open)] ?? [] as $child) {
                if (! isset($found[$child])) {
                    $found[$child] = true;
                    $open[] = $child;
                }
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /** @return list<array{term: Term, depth: int}> parents before children, children in their order */
    public function asTree(string $parent = '', int $depth = 0): array
    {
        $rows = [];
        foreach ($this->children[$parent] ?? [] as $slug) {
            $rows[] = ['term' => $this->bySlug[$slug], 'depth' => $depth];
            array_push($rows, ...$this->asTree($slug, $depth + 1));
        }

        return $rows;
    }

    /**
     * @param  list<string>  $names from the root down, ignoring case and accents; a single name may be at any depth if
     *   it is unique
     */
    public function byPath(array $names): ?Term
    {
        $names = array_map(Fold::of(...), $names);
        $found = $this->child('', $names[0] ?? '');
        foreach (array_slice($names, 1) as $name) {
            $found = $found === null ? null : $this->child($found->slug, $name);
        }
        if ($found !== null || count($names) !== 1) {
            return $found;
        }
        $same = array_merge(...array_values(array_map(
            fn (array $children): array => $children[$names[0]] ?? [],
            $this->named(),
        )));

        return count($same) === 1 ? $this->bySlug[$same[0]] : null;
    }

    /** @param  string  $name  folded */
    private function child(string $parent, string $name): ?Term
    {
        $slug = $this->named()[$parent][$name][0] ?? null;

        return $slug === null ? null : $this->bySlug[$slug];
    }

    /** @return array<string, array<string, list<string>>> */
    private function named(): array
    {
        if ($this->named === null) {
            $this->named = [];
            foreach ($this->children as $parent => $children) {
                foreach ($children as $slug) {
                    $this->named[$parent][Fold::of($this->bySlug[$slug]->name)][] = $slug;
                }
            }
        }

        return $this->named;
    }
}
