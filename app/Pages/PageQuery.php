<?php

declare(strict_types=1);

namespace App\Pages;

use App\Catalogue\CatalogueStore;
use App\Database\PostgresArray;
use App\Models\Page;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Problem\Refused;

/** Finds stored pages: live versions, and drafts for previews. */
final readonly class PageQuery
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /** @return Collection<int, Page> those that visitors get, in their order, without their definitions */
    public function published(): Collection
    {
        return self::live()->orderBy('position')->orderBy('id')->get(['id', 'key', 'title', 'address']);
    }

    /**
     * The pages whose address may fit the path; the router decides.
     *
     * @param  bool  $drafts  true if drafts are searched instead of live versions
     * @return list<StoredPage>
     */
    public function candidates(string $path, bool $drafts = false): array
    {
        $first = explode('/', $path)[1] ?? '';
        [$rows, $address] = $drafts
            ? [Page::query()->whereNull('removed_at'), "(draft ->> 'address')"]
            : [self::live(), 'address'];
        $rows->where(fn (Builder $query) => $query->whereRaw("{$address} = ?", [$path])->orWhere(
            fn (Builder $query) => $query->whereRaw("{$address} like '%{%'")
                ->where(fn (Builder $query) => $query->whereRaw("split_part({$address}, '/', 2) = ?", [$first])
                    ->orWhereRaw("{$address} like '/{%'")),
        ));

        return $this->stored($rows->orderBy('id')->get()->all(), $drafts);
    }

    /**
     * Live pages that define a menu entry.
     *
     * @return list<StoredPage> in the manager's order, as many as a menu has room for
     */
    public function inMenus(): array
    {
        $rows = self::live()->whereRaw("jsonb_exists(live, 'menu')")->orderBy('position')->orderBy('id');

        return $this->stored($rows->limit(MenuReader::MAX_ENTRIES)->get()->all(), false);
    }

    /**
     * @param  list<string>  $keys
     * @return list<StoredPage> those of them that are live
     */
    public function some(array $keys): array
    {
        return $keys === [] ? [] : $this->stored(self::live()->whereIn('key', $keys)->get()->all(), false);
    }

    /**
     * @param  list<string>  $addresses
     * @return array<string, StoredPage> those that are live, by address
     */
    public function atAddresses(array $addresses): array
    {
        $found = [];
        foreach ($this->stored(self::live()->whereIn('address', $addresses)->get()->all(), false) as $stored) {
            $found[$stored->definition->address->pattern] = $stored;
        }

        return $found;
    }

    /** @return list<StoredPage> live pages that are about terms, items, months or people */
    public function withPlaceholder(): array
    {
        return $this->stored(self::live()->where('address', 'like', '%{%')->orderBy('id')->get()->all(), false);
    }

    /** @return list<StoredPage> live pages that are about nothing but themselves, in the manager's order */
    public function withoutPlaceholder(): array
    {
        $rows = self::live()->where('address', 'not like', '%{%')->orderBy('position')->orderBy('id');

        return $this->stored($rows->get()->all(), false);
    }

    /**
     * Live pages by address; pages with one of the modules come first.
     *
     * @param  string  $words  a part of the title or the address; empty: all
     * @param  list<string>  $modules  keys
     * @return list<StoredPage>
     */
    public function liveLike(string $words, array $modules, int $most): array
    {
        $part = '%'.addcslashes(trim($words), '%_\\').'%';
        $rows = self::live()->where(fn (Builder $query) => $query->where('title', 'ilike', $part)
            ->orWhere('address', 'ilike', $part));
        if ($modules !== []) {
            $rows->orderByRaw(
                'exists (select from placements join modules on modules.id = module_id where page_id = pages.id and '
                    .'modules.key = any(?::text[])) desc',
                [PostgresArray::literal($modules)],
            );
        }

        return $this->stored($rows->orderByRaw('address collate "C"')->limit($most)->get()->all(), false);
    }

    /** The new address of the page that had this address before; null if no page had it. */
    public function movedTo(string $path): ?string
    {
        $rows = DB::table('moved_pages')->join('pages', 'pages.id', '=', 'moved_pages.page_id')
            ->whereNotNull('live')->whereNull('removed_at')
            ->where(fn ($query) => $query->where('moved_pages.address', $path)
                ->orWhere('moved_pages.address', 'like', '%{%'))
            ->get(['moved_pages.address as before', 'pages.address as now']);
        foreach ($rows as $row) {
            $slug = AddressPattern::of((string) $row->before)->match($path);
            $now = AddressPattern::of((string) $row->now);
            if ($slug !== null && ($slug !== '' || $now->placeholder() === null)) {
                return $now->filled($slug);
            }
        }

        return null;
    }

    /**
     * @param  array<array-key, Page>  $rows
     * @return list<StoredPage> without those of which no version can be read
     */
    public function stored(array $rows, bool $drafts): array
    {
        $reader = new PageReader($this->catalogue->catalogue());
        $stored = [];
        foreach ($rows as $row) {
            $page = $this->readable($row, $drafts, $reader);
            if ($page !== null) {
                $stored[] = new StoredPage($row->id, $page);
            }
        }

        return $stored;
    }

    /** @return Builder<Page> */
    public static function live(): Builder
    {
        return Page::query()->whereNotNull('live')->whereNull('removed_at');
    }

    /** The definition, or its last valid version. */
    private function readable(Page $row, bool $draft, PageReader $reader): ?PageDefinition
    {
        try {
            return $reader->read($draft ? $row->draft : $row->live);
        } catch (Refused $refused) {
            report(new \RuntimeException("The page “{$row->key}” cannot be read: {$refused->getMessage()}"));
        }
        foreach (PublishedVersions::of($row) as $definition) {
            try {
                return $reader->read($definition);
            } catch (Refused) {
                continue;
            }
        }

        return null;
    }
}
