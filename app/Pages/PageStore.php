<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Models\Page;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Collection as SupportCollection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/** Stores pages: their drafts and live versions. */
final readonly class PageStore
{
    public function __construct(private CatalogueStore $catalogue, private PageAddresses $addresses)
    {
    }

    public function find(string $key): ?Page
    {
        return Page::query()->where('key', $key)->whereNull('removed_at')->first();
    }

    /**
     * All pages that are not removed, by the addresses of their drafts. Only definitions that may be invalid are
     * loaded: a draft was valid when it was saved, so only those that refer to a type, a taxonomy or a group can have
     * become invalid.
     *
     * @return SupportCollection<int, \stdClass> key, title, address, state (live, changed, draft) and draft: JSON, null
     *   for a page that is certainly valid
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

    /** @throws Refused */
    public function read(mixed $definition): PageDefinition
    {
        return (new PageReader($this->catalogue->catalogue()))->read($definition);
    }

    /** Creates the page or replaces its draft, by key; a new page comes last. */
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
            // A removed page is restored as a draft, because another page may use its address.
            $row->live = $row->removed_at === null ? $row->live : null;
            $row->fill(['draft' => $page->toArray(), 'user_id' => Actor::id(), 'removed_at' => null]);
            $row->revision++;
            $row->save();

            return $row->refresh();
        });
    }

    /**
     * Creates an empty page.
     *
     * @param  array<array-key, mixed>|null  $about  for a page with a placeholder
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
     * Publishes the draft and stores it as a version. After a change of address, the old one redirects to the new one.
     *
     * @param  int|null  $revision  the draft's revision; null: any
     *
     * @throws StaleWrite
     * @throws Refused where another page has the same address, for the same terms or items
     */
    public function publish(Page $row, ?int $revision = null): Page
    {
        try {
            return DB::transaction(function () use ($row, $revision): Page {
                $row = Page::query()->lockForUpdate()->findOrFail($row->id);
                StaleWrite::unless($row->revision, $revision);
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
            $owner = $this->addresses->owner(
                is_string($row->draft['address'] ?? null) ? $row->draft['address'] : '',
                is_array($row->draft['about'] ?? null) ? $row->draft['about'] : null,
                $row->key,
            );
            $title = is_string($owner?->draft['title'] ?? null) ? $owner->draft['title'] : 'another';
            throw Refused::because('address', ProblemCode::Taken, "the page “{$title}” has this address.");
        }
    }

    /** Its position among all pages; 0 if there is none. */
    private static function lastPosition(): int
    {
        $last = Page::query()->max('position');

        return is_numeric($last) ? (int) $last : 0;
    }
}
