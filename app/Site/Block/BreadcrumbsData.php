<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Catalogue\CatalogueStore;
use App\Pages\PageQuery;
use App\Site\Address\PageFinder;
use App\Site\Address\RecordAddresses;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Breadcrumbs;

/**
 * The breadcrumbs: the pages above by address, then the parent terms of a term's page. Pages that the viewer may not
 * see are left out. The home page has no breadcrumbs.
 *
 * @implements BlockData<Breadcrumbs>
 */
final readonly class BreadcrumbsData implements BlockData
{
    public function __construct(
        private PageQuery $pages,
        private CatalogueStore $catalogue,
        private RecordAddresses $addresses,
        private PageFinder $finder,
    ) {
    }

    public static function block(): string
    {
        return Breadcrumbs::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $path = $scene->address->path;
        if ($path === '/' || $scene->subject === null) {
            return null;
        }
        $segments = explode('/', trim($path, '/'));
        $above = ['/'];
        foreach (array_slice($segments, 0, -1) as $i => $segment) {
            $above[] = '/'.implode('/', array_slice($segments, 0, $i + 1));
        }
        $crumbs = [];
        $scene->dependencies->on('pages');
        $pages = $this->pages->atAddresses($above);
        $home = $this->finder->home($scene->context, $scene->dependencies)?->stored;
        foreach ($above as $address) {
            $page = ($address === '/' ? $home ?? $pages[$address] ?? null : $pages[$address] ?? null)?->definition;
            $scene->dependencies->expireWith($scene->context, ...$page === null ? [] : [$page->schedule]);
            if ($page !== null && $page->schedule->admits($scene->context)) {
                $crumbs[] = ['label' => $page->menu ?? $page->title, 'address' => $address];
            }
        }

        return ['crumbs' => [...$crumbs, ...$this->terms($scene)], 'title' => $scene->subject->title];
    }

    /** @return list<array{label: string, address: string}> the terms above, from the top */
    private function terms(PageScene $scene): array
    {
        $term = $scene->subject?->page->term;
        $terms = $this->catalogue->catalogue()->taxonomies[$term['taxonomy'] ?? '']->terms ?? null;
        $address = $term === null ? null : $this->addresses->ofTerm($term['taxonomy']);
        $scene->dependencies->on('catalogue');
        $crumbs = [];
        $above = $terms?->find((string) $terms->find($term['slug'] ?? '')?->parent);
        while ($terms !== null && $above !== null && $address !== null) {
            $at = $address($above->slug);
            $crumbs = $at === null ? $crumbs : [['label' => $above->name, 'address' => $at], ...$crumbs];
            $above = $terms->find((string) $above->parent);
        }

        return $crumbs;
    }
}
