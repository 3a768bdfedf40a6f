<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Catalogue\CatalogueStore;
use App\Listing\Sources;
use App\Listing\VisibleItems;
use App\Pages\PageQuery;
use App\Site\SitePages;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Page\Address\AboutKind;

/**
 * The public addresses of the site, in parts of at most 50,000 as the sitemaps protocol requires
 * (sitemaps.org/protocol.html): the pages, the items of each type, and the records of each page with a placeholder.
 *
 * @phpstan-type SitemapUrl array{path: string, changed: string|null}
 */
final readonly class Sitemap
{
    public const MOST = 50_000;

    public function __construct(
        private PageQuery $pages,
        private CatalogueStore $catalogue,
        private Sources $sources,
        private SiteSettings $site,
    ) {
    }

    /** @return list<string> the names of the parts: `pages`, `items-product-1`, `page-group-1` */
    public function parts(Context $context): array
    {
        $parts = ['pages'];
        $named = function (string $name, int $count) use (&$parts): void {
            for ($n = 1; $n <= ceil($count / self::MOST); $n++) {
                $parts[] = "{$name}-{$n}";
            }
        };
        foreach ($this->catalogue->catalogue()->types as $type) {
            $named("items-{$type->key}", VisibleItems::of([$type->key], $context)->count());
        }
        foreach ($this->pages->withPlaceholder() as $stored) {
            $page = $stored->definition;
            $source = $page->about?->source($this->catalogue->catalogue());
            // Each item is listed once, at its own address.
            if ($source !== null && $page->about->kind !== AboutKind::Item && $page->schedule->admits($context)) {
                $named("page-{$page->key}", $this->sources->candidates($source, $context)->count());
            }
        }

        return $parts;
    }

    /** @return list<SitemapUrl>|null null where there is no such part */
    public function part(string $name, Context $context): ?array
    {
        if ($name === 'pages') {
            return $this->ofPages($context);
        }
        if (preg_match('/^(items|page)-(.+)-([1-9][0-9]{0,4})$/D', $name, $found) !== 1) {
            return null;
        }
        $skip = ((int) $found[3] - 1) * self::MOST;

        return $found[1] === 'items'
            ? $this->ofItems($found[2], $skip, $context)
            : $this->ofSubjects($found[2], $skip, $context);
    }

    /** @return list<SitemapUrl> */
    private function ofPages(Context $context): array
    {
        $paths = [];
        foreach ($this->pages->withoutPlaceholder() as $stored) {
            $page = $stored->definition;
            if ($page->schedule->admits($context) && ! in_array($page->key, $this->site->standIns(), true)) {
                $paths[] = $this->site->addressFor($context->viewer, $page->key, $page->address->pattern);
            }
        }

        return array_map(
            fn (string $path): array => ['path' => $path, 'changed' => null],
            array_values(array_unique($paths)),
        );
    }

    /** @return list<SitemapUrl>|null */
    private function ofItems(string $key, int $skip, Context $context): ?array
    {
        $type = $this->catalogue->catalogue()->type($key);
        if ($type === null) {
            return null;
        }
        $urls = [];
        foreach (
            VisibleItems::of([$key], $context)->toBase()->orderBy('items.id')->skip($skip)->take(self::MOST)
                ->get(['items.slug', 'items.updated_at']) as $row
        ) {
            $urls[] = [
                'path' => SitePages::itemAddress($type, (string) $row->slug),
                'changed' => (new \DateTimeImmutable((string) $row->updated_at))->format(DATE_ATOM),
            ];
        }

        return $urls;
    }

    /** @return list<SitemapUrl>|null */
    private function ofSubjects(string $key, int $skip, Context $context): ?array
    {
        $page = $this->pages->some([$key])[0]->definition ?? null;
        $source = $page?->about?->source($this->catalogue->catalogue());
        if ($page === null || $source === null || ! $page->schedule->admits($context)) {
            return null;
        }
        $terms = $this->catalogue->catalogue()->taxonomies[$page->about->of[0] ?? '']->terms ?? null;
        $urls = [];
        foreach (
            $this->sources->candidates($source, $context)->toBase()->orderBy('items.slug')->skip($skip)
                ->take(self::MOST)->pluck('items.slug') as $slug
        ) {
            if ($page->about->distance((string) $slug, $terms) !== null) {
                $urls[] = ['path' => $page->address->filled((string) $slug), 'changed' => null];
            }
        }

        return $urls;
    }
}
