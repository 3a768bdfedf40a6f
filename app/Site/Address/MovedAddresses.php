<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Catalogue\CatalogueStore;
use App\Pages\PageQuery;
use App\Site\SitePages;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Address\PageAbout;

/** Finds the new address of a page, item, term or content type that moved. */
final readonly class MovedAddresses
{
    public function __construct(private PageQuery $pages, private CatalogueStore $catalogue)
    {
    }

    /** @return list<string> addresses to try, the likeliest first; whether anything is there for the viewer is open */
    public function of(string $path): array
    {
        $catalogue = $this->catalogue->catalogue();
        $page = $this->pages->movedTo($path);

        return array_values(array_filter([
            $page,
            ...$this->renamed($path, $catalogue),
            $this->ofType($path, $catalogue),
        ], fn (?string $address): bool => $address !== null && $address !== $path));
    }

    /** @return list<string|null> where pages that fit are about an item or a term that had the slug before */
    private function renamed(string $path, Catalogue $catalogue): array
    {
        $found = [];
        foreach ($this->pages->candidates($path) as $stored) {
            $page = $stored->definition;
            $slug = $page->address->match($path);
            $now = $slug === null || $page->about === null ? null : self::slugNow($page->about, $slug);
            $found[] = $now === null ? null : $page->address->filled($now);
        }
        foreach ($catalogue->types as $type) {
            $pattern = AddressPattern::of($type->address);
            $slug = $pattern->match($path);
            $now = $slug === null ? null : self::lookUp('items', $type->key, $slug);
            $found[] = $now === null ? null : $pattern->filled($now);
        }

        return $found;
    }

    /** The item's address under the current address of its type. */
    private function ofType(string $path, Catalogue $catalogue): ?string
    {
        foreach (DB::table('moved_types')->get(['address', 'type_key']) as $row) {
            $type = $catalogue->type((string) $row->type_key);
            $slug = AddressPattern::of((string) $row->address)->match($path);
            if ($type !== null && $slug !== null) {
                return SitePages::itemAddress($type, self::lookUp('items', $type->key, $slug) ?? $slug);
            }
        }

        return null;
    }

    private static function slugNow(PageAbout $about, string $slug): ?string
    {
        return match ($about->kind) {
            AboutKind::Item => self::lookUp('items', $about->of[0], $slug),
            AboutKind::Term => self::lookUp('terms', $about->of[0], $slug),
            default => null,
        };
    }

    /** @param  'items'|'terms'  $table */
    private static function lookUp(string $table, string $parentKey, string $slug): ?string
    {
        $now = DB::table('moved_slugs')
            ->join($table, "{$table}.id", '=', 'moved_slugs.record_id')
            ->where(['record_table' => $table, 'parent_key' => $parentKey, 'moved_slugs.slug' => $slug])
            ->value("{$table}.slug");

        return is_string($now) ? $now : null;
    }
}
