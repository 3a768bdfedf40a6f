<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\StaleWrite;
use App\Models\AuditAction;
use App\Models\FreeName;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Collection as SupportCollection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Page\AddressPattern;
use Wellspring\Core\Page\MenuReader;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/** Keeps pages: their drafts, what is live, and where they were before. */
final readonly class PageStore
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function find(string $key): ?Page
    {
        return Page::query()->where('key', $key)->whereNull('removed_at')->first();
    }

    /**
     * All that are not removed, by the addresses of their drafts: no definitions but those of drafts that may no longer
     * be read. A draft was read when it was kept; only what names a type, a taxonomy or a group can have lost it since.
     *
     * @return SupportCollection<int, \stdClass> key, title, address, state (live, changed, draft) and draft: JSON, null
     *   of one that is sure to be read
     */
    public function drafts(): SupportCollection
    {
        return Page::query()->whereNull('removed_at')->toBase()
            ->orderByRaw("draft ->> 'address' collate \"C\", id")
            ->selectRaw("key, draft ->> 'title' as title, draft ->> 'address' as address, case when live is null then "
                ."'draft' when live = draft then 'live' else 'changed' end as state, case when "
                ."jsonb_exists(draft, 'about') or draft::text like '%\"group:%' then draft end as draft")
            ->get();
    }

    /** @return Collection<int, Page> those that visitors get, in their order, without their definitions */
    public function published(): Collection
    {
        return self::live()->orderBy('position')->orderBy('id')->get(['id', 'key', 'title', 'address']);
    }

    /** @throws Refused */
    public function read(mixed $definition): PageDefinition
    {
        return (new PageReader($this->catalogue->catalogue()))->read($definition);
    }

    /**
     * The pages whose address may fit the path; the router tells which does.
     *
     * @param  bool  $drafts  whether drafts are asked, instead of what is live
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
     * Live pages that say what menus call them.
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

    /**
     * Live pages by their addresses; those on which one of the modules stands come first.
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
                ['{'.implode(',', $modules).'}'],
            );
        }

        return $this->stored($rows->orderByRaw('address collate "C"')->limit($most)->get()->all(), false);
    }

    /** @return list<StoredPage> live pages that are about nothing but themselves, in the manager's order */
    public function withoutPlaceholder(): array
    {
        $rows = self::live()->where('address', 'not like', '%{%')->orderBy('position')->orderBy('id');

        return $this->stored($rows->get()->all(), false);
    }

    /** Where a page is that was at the address before; null where none was. */
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

    /** A page that is not stored, for a module that stands on none. */
    public static function plain(string $title, string $description, string $module): StoredPage
    {
        $blocks = [['module' => $module]];

        return new StoredPage(null, (new PageReader(new Catalogue([])))->read([
            'format' => PageReader::FORMAT, 'key' => 'plain', 'address' => '/', 'title' => $title,
            ...trim($description) === '' ? [] : ['description' => $description],
            'bands' => [['key' => 'body', 'slots' => [['share' => PageReader::SHARES, 'blocks' => $blocks]]]],
        ]));
    }

    /** Creates the page or replaces its draft, by key; a new one comes last. */
    public function apply(PageDefinition $page): Page
    {
        return DB::transaction(function () use ($page): Page {
            $new = new Page([
                'key' => $page->key, 'draft' => $page->toArray(), 'user_id' => Actor::id(),
                'position' => self::lastPosition() + 1,
            ]);
            if (FreeName::inserted($new, ['key'])) {
                return $new->refresh();
            }
            $row = Page::query()->where('key', $page->key)->lockForUpdate()->firstOrFail();
            // One that was removed comes back as a draft: another may have its address meanwhile.
            $row->live = $row->removed_at === null ? $row->live : null;
            $row->fill(['draft' => $page->toArray(), 'user_id' => Actor::id(), 'removed_at' => null]);
            $row->revision++;
            $row->save();

            return $row->refresh();
        });
    }

    /**
     * A new page, empty.
     *
     * @param  array<array-key, mixed>|null  $about  of a page with a placeholder
     *
     * @throws Refused
     */
    public function create(string $title, string $address, ?array $about): Page
    {
        $base = substr(Slug::from($title), 0, 56);
        $page = $this->read([
            'format' => PageReader::FORMAT, 'key' => $base, 'address' => $address, 'title' => $title,
            ...$about === null ? [] : ['about' => $about, 'showTitle' => false],
            'bands' => [],
        ]);
        $row = new Page([
            'draft' => $page->toArray(), 'user_id' => Actor::id(), 'position' => self::lastPosition() + 1,
        ]);
        FreeName::insert(
            $row,
            'key',
            [],
            fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}",
            named: fn (string $key): array => $row->draft = ['key' => $key] + $row->draft,
        );

        return $row->refresh();
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  int  $revision  the revision that the change started from
     *
     * @throws Refused
     * @throws StaleWrite
     */
    public function saveDraft(Page $row, array $definition, int $revision): Page
    {
        $page = $this->read($definition);
        if ($page->key !== $row->key) {
            throw Refused::because('key', ProblemCode::WrongValue, "expected “{$row->key}”; a page keeps its key.");
        }

        return DB::transaction(function () use ($row, $page, $revision): Page {
            $row = Page::query()->lockForUpdate()->findOrFail($row->id);
            if ($row->revision !== $revision) {
                throw new StaleWrite($row->revision);
            }
            $row->draft = $page->toArray();
            $row->revision++;
            $row->user_id = Actor::id();
            $row->save();

            return $row->refresh();
        });
    }

    /**
     * Makes the draft live and keeps it as a version. Where its address is another now, the old one leads to it.
     *
     * @throws Refused where another page has the same address, for the same terms or items
     */
    public function publish(Page $row): Page
    {
        try {
            return DB::transaction(function () use ($row): Page {
                $row = Page::query()->lockForUpdate()->findOrFail($row->id);
                $page = $this->read($row->draft);
                $before = $row->live === null ? null : $row->address;
                PublishedVersions::publish($row);
                $row->refresh();
                DB::table('moved_pages')->where('address', $row->address)->delete();
                if ($before !== null && $before !== $row->address) {
                    DB::table('moved_pages')->upsert(['address' => $before, 'page_id' => $row->id], 'address');
                }
                AuditTrail::record(AuditAction::PagePublished, "“{$page->title}”", [
                    'key' => $page->key, 'address' => $row->address,
                ]);

                return $row;
            });
        } catch (UniqueConstraintViolationException) {
            throw Refused::because('address', ProblemCode::Taken, 'another page has this address.');
        }
    }

    /** Lets the module stand on one page, or not, and leaves all other pages as they are. */
    public function stand(ModuleRow $module, int $page, bool $stands): void
    {
        $now = array_map(intval(...), $module->pages()->pluck('pages.id')->all());
        $this->place($module, array_values(array_unique(
            $stands ? [...$now, $page] : array_diff($now, [$page]),
        )));
    }

    /**
     * Lets the module stand on these pages and on no others: at the end of those that it did not stand on. What is live
     * and the draft are both changed; pages that are not live are left alone.
     *
     * @param  list<int>  $pages  ids
     */
    public function place(ModuleRow $module, array $pages): void
    {
        DB::transaction(function () use ($module, $pages): void {
            $now = array_map(intval(...), $module->pages()->pluck('pages.id')->all());
            $changed = self::live()->orderBy('id')->lockForUpdate();
            foreach ($changed->findMany([...array_diff($now, $pages), ...array_diff($pages, $now)]) as $page) {
                $stands = in_array($page->id, $pages, true);
                $other = fn (array $definition): array => self::placed($definition, $module->key, $stands);
                $isDraft = $page->draft !== $page->live;
                $live = $other($page->live ?? []);
                [$page->draft, $draft] = [$live, $other($page->draft)];
                $page->revision++;
                PublishedVersions::publish($page);
                if ($isDraft) {
                    $page->draft = $draft;
                    $page->save();
                }
            }
            AuditTrail::record(
                AuditAction::ModulePlaced,
                $module->quotedName(),
                ['key' => $module->key, 'pages' => $module->pages()->pluck('address')->all()],
            );
        });
    }

    /**
     * The definition with the module in its last slot, or without it.
     *
     * @param  array<string, mixed>  $definition
     * @return array<string, mixed>
     */
    private static function placed(array $definition, string $module, bool $stands): array
    {
        $bands = is_array($definition['bands'] ?? null) ? $definition['bands'] : [];
        foreach ($bands as $b => $band) {
            foreach ($band['slots'] ?? [] as $s => $slot) {
                $bands[$b]['slots'][$s]['blocks'] = array_values(array_filter(
                    $slot['blocks'] ?? [],
                    fn (array $block): bool => ($block['module'] ?? null) !== $module,
                ));
            }
        }
        if ($stands) {
            $bands = $bands === [] ? [['key' => 'body', 'slots' => [['share' => PageReader::SHARES]]]] : $bands;
            $b = array_key_last($bands);
            $s = array_key_last($bands[$b]['slots']);
            $bands[$b]['slots'][$s]['blocks'][] = ['module' => $module];
        }

        return ['bands' => $bands] + $definition;
    }

    /** Among all pages; 0 where there is none. */
    private static function lastPosition(): int
    {
        $last = Page::query()->max('position');

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @return Builder<Page> */
    private static function live(): Builder
    {
        return Page::query()->whereNotNull('live')->whereNull('removed_at');
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

    /** The definition, or the last good version of it. */
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
