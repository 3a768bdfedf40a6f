<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Catalogue;

/** Finds the page that answers an address. */
final readonly class PageRouter
{
    /** @param  list<PageDefinition>  $pages */
    public function __construct(private array $pages, private Catalogue $catalogue)
    {
    }

    /**
     * The page whose pattern fits best; of several with the same pattern, one for a single item or term goes before one
     * for a branch, the nearest above, and that before one for all.
     *
     * @param  string  $path  of the address, with its first slash
     * @return array{PageDefinition, string}|null the page, and what stands in the place of its placeholder, '' without
     */
    public function find(string $path): ?array
    {
        $fits = [];
        foreach ($this->pages as $page) {
            $slug = $page->address->match($path);
            $distance = $slug === null ? null : $this->distance($page->about, $slug);
            if ($slug !== null && $distance !== null) {
                $fits[] = [$page, $slug, $distance];
            }
        }
        usort($fits, fn (array $a, array $b): int => $a[0]->address->compareTo($b[0]->address) ?: $a[2] <=> $b[2]);

        return $fits === [] ? null : [$fits[0][0], $fits[0][1]];
    }

    private function distance(?PageAbout $about, string $slug): ?int
    {
        return $about === null
            ? 0
            : $about->distance($slug, $this->catalogue->taxonomies[$about->of[0] ?? '']->terms ?? null);
    }
}
