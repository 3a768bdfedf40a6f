<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Address;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Page\PageDefinition;

/** Finds the pages that can answer an address. */
final readonly class PageRouter
{
    /** @param  list<PageDefinition>  $pages */
    public function __construct(private array $pages, private Catalogue $catalogue)
    {
    }

    /**
     * The pages whose pattern fits, best first. Of several with the same pattern, a page for a single record comes
     * first, then a page for a branch, the nearest one above, then the page for all.
     *
     * @param  string  $path  of the address, with its leading slash
     * @return list<array{PageDefinition, string}> each fitting page with the text of its placeholder, '' without one
     */
    public function fits(string $path): array
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

        return array_map(fn (array $fit): array => [$fit[0], $fit[1]], $fits);
    }

    private function distance(?PageAbout $about, string $slug): ?int
    {
        return $about === null
            ? 0
            : $about->distance($slug, $this->catalogue->taxonomies[$about->of[0] ?? '']->terms ?? null);
    }
}
