<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Catalogue\CatalogueStore;
use App\Pages\PageQuery;
use App\Site\SitePages;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Source\People;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/** The addresses of records: an item at its type's address, another record where a page is about its kind. */
final readonly class RecordAddresses
{
    public function __construct(private PageQuery $pages, private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  list<Record>  $records
     * @return array<string, string> by record key; those that have no page are not there
     */
    public function of(Source $source, array $records): array
    {
        $addresses = [];
        foreach ($source->recordsOf() === RecordsOf::Items ? $records : [] as $record) {
            $type = $this->catalogue->catalogue()->type($record->type);
            if ($type !== null) {
                $addresses[(string) $record->key()] = SitePages::itemAddress($type, $record->slug);
            }
        }
        $fits = $source->about() === null
            ? null
            : $this->page(fn (PageAbout $about): bool => $about->isAboutRecordsOf($source));
        foreach ($records as $record) {
            $address = $source->addressOf($record) ?? ($fits === null ? null : $fits($record->slug));
            if ($address !== null) {
                $addresses[(string) $record->key()] = $address;
            }
        }

        return $addresses;
    }

    /** @return \Closure(string): (string|null) the address of a term by its slug */
    public function ofTerm(string $taxonomy): \Closure
    {
        return $this->page(
            fn (PageAbout $about): bool => $about->kind === AboutKind::Term && $about->of[0] === $taxonomy,
        );
    }

    /**
     * @param  array{string, string}  $record  type and slug of an item or a person
     * @return string|null null where it has no page
     */
    public function ofRecord(array $record): ?string
    {
        [$key, $slug] = $record;
        $type = $this->catalogue->catalogue()->type($key);

        return match (true) {
            $key === People::KEY => $this->ofPerson()($slug),
            $type !== null => SitePages::itemAddress($type, $slug),
            default => null,
        };
    }

    /** @return \Closure(string): (string|null) the address of a person by their slug */
    public function ofPerson(): \Closure
    {
        return $this->page(fn (PageAbout $about): bool => $about->kind === AboutKind::Person);
    }

    /**
     * @param  \Closure(PageAbout): bool  $isAbout
     * @return \Closure(string): (string|null)
     */
    private function page(\Closure $isAbout): \Closure
    {
        $pages = [];
        foreach ($this->pages->withPlaceholder() as $stored) {
            if ($stored->definition->about !== null && $isAbout($stored->definition->about)) {
                $pages[] = $stored->definition;
            }
        }
        $taxonomies = $this->catalogue->catalogue()->taxonomies;

        return function (string $slug) use ($pages, $taxonomies): ?string {
            $nearest = null;
            foreach ($pages as $page) {
                $distance = $page->about?->distance($slug, $taxonomies[$page->about->of[0] ?? '']->terms ?? null);
                if ($distance !== null && ($nearest === null || $distance < $nearest[0])) {
                    $nearest = [$distance, $page->address->filled($slug)];
                }
            }

            return $nearest[1] ?? null;
        };
    }
}
