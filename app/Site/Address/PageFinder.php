<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Freshness\Dependencies;
use App\Listing\Cache\CacheExpiry;
use App\Listing\Sources;
use App\Listing\VisibleItems;
use App\Pages\PageQuery;
use App\Pages\StoredPage;
use App\Site\Subject;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Page\Address\PageRouter;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/** Finds the page that answers an address, and the record that it is about there. */
final readonly class PageFinder
{
    public function __construct(
        private PageQuery $pages,
        private CatalogueStore $catalogue,
        private Sources $sources,
        private CacheExpiry $expiry,
        private SiteSettings $site,
    ) {
    }

    /**
     * @param  string  $path  of the address, with its leading slash
     * @param  bool  $drafts  true if drafts answer instead of live versions
     * @return FoundPage|null null if no page has the address, if no such record exists, or if it is not for the viewer
     */
    public function find(
        string $path,
        Context $context,
        Dependencies $dependencies,
        bool $drafts = false,
    ): ?FoundPage {
        $dependencies->on('pages', 'catalogue');
        $home = $path === '/' ? $this->home($context, $dependencies) : null;
        if ($home !== null) {
            return $home;
        }
        $candidates = $this->pages->candidates($path, $drafts);
        $stored = new \WeakMap;
        foreach ($candidates as $candidate) {
            $stored[$candidate->definition] = $candidate;
        }
        $definitions = array_map(fn (StoredPage $candidate) => $candidate->definition, $candidates);
        // If several pages fit equally well, such as /journal/{post} and /journal/{month}, the page whose record
        // exists.
        foreach ((new PageRouter($definitions, $this->catalogue->catalogue()))->fits($path) as [$page, $slug]) {
            $subject = $this->subjectOf($page, $slug, $context, $dependencies);
            if ($subject !== null) {
                return new FoundPage($stored[$page], $subject);
            }
        }
        [$page, $slug] = PlainItemPages::find($path, $this->catalogue->catalogue()) ?? [null, ''];
        $subject = $page === null ? null : $this->subjectOf($page, $slug, $context, $dependencies);

        return $page === null || $subject === null ? null : new FoundPage(new StoredPage(null, $page), $subject);
    }

    /** The page that the settings make the viewer's home page; null if they name none that the viewer may see. */
    public function home(Context $context, Dependencies $dependencies): ?FoundPage
    {
        foreach ($this->site->homesFor($context->viewer) as $key) {
            $found = $this->byKey($key, $context, $dependencies);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /** The live page with the key, if it is about nothing and the viewer may see it; otherwise null. */
    public function byKey(string $key, Context $context, Dependencies $dependencies): ?FoundPage
    {
        $stored = $this->pages->some([$key])[0] ?? null;
        if ($stored === null || $stored->definition->about !== null) {
            return null;
        }
        $dependencies->expireWith($context, $stored->definition->schedule);

        return $stored->definition->schedule->admits($context)
            ? new FoundPage($stored, Subject::ofPage($stored->definition))
            : null;
    }

    /** The subject of the page with this slug; null if nothing has the slug. */
    public function subjectOf(
        PageDefinition $page,
        string $slug,
        Context $context,
        Dependencies $dependencies,
    ): ?Subject {
        return $page->about === null
            ? Subject::ofPage($page)
            : $this->subject($page->about, $slug, $context, $dependencies);
    }

    /**
     * @param  string  $words  a part of the title; empty: any
     * @return list<array{slug: string, title: string}> what the page can be about, by title
     */
    public function subjects(PageDefinition $page, string $words, Context $context, int $most): array
    {
        $catalogue = $this->catalogue->catalogue();
        $source = $page->about?->source($catalogue);
        if ($page->about === null || $source === null) {
            return [];
        }
        $terms = $catalogue->taxonomies[$page->about->of[0] ?? '']->terms ?? null;
        $rows = $this->sources->candidates($source, $context)->toBase()
            ->when($words !== '', fn ($query) => $query->where(
                'items.title',
                'ilike',
                '%'.addcslashes($words, '%_\\').'%',
            ))
            ->when($page->about->only !== [], fn ($query) => $query->whereIn('items.slug', $page->about->only))
            ->orderBy('items.title')
            ->limit($page->about->under === null ? $most : 1000)
            ->get(['items.slug', 'items.title']);
        $found = [];
        foreach ($rows as $row) {
            if ($page->about->distance((string) $row->slug, $terms) !== null) {
                $found[] = ['slug' => (string) $row->slug, 'title' => (string) $row->title];
            }
        }

        return array_slice($found, 0, $most);
    }

    private function subject(
        PageAbout $about,
        string $slug,
        Context $context,
        Dependencies $dependencies,
    ): ?Subject {
        $source = $about->source($this->catalogue->catalogue());
        if ($source === null) {
            return null;
        }
        $dependencies->on(...match ($about->kind) {
            AboutKind::Term => ["taxonomy:{$about->of[0]}"],
            AboutKind::Person => ['people'],
            default => array_map(fn (string $type): string => "type:{$type}", $about->of),
        });

        return $about->kind === AboutKind::Item
            ? $this->item($about->of[0], $source, $slug, $context, $dependencies)
            : $this->record($about, $source, $slug, $context, $dependencies);
    }

    private function item(
        string $type,
        Source $source,
        string $slug,
        Context $context,
        Dependencies $dependencies,
    ): ?Subject {
        $dependencies->changesAt($this->expiry->ofItem($type, $slug, $context));
        $item = VisibleItems::of([$type], $context)->where('slug', $slug)->first();
        if ($item === null) {
            return null;
        }
        $dependencies->on('people');
        if (array_filter($source->type()->fields, fn (Field $field): bool => $field->family()->isLink()) !== []) {
            $dependencies->on('content');
            $dependencies->changesAt($this->expiry->ofItems([], $context));
        }
        $record = Records::complete($item);

        return Subject::ofRecord(
            $record->seenThrough($context->visibility()),
            $source->type(),
            new PageSubject(item: $record),
        );
    }

    private function record(
        PageAbout $about,
        Source $source,
        string $slug,
        Context $context,
        Dependencies $dependencies,
    ): ?Subject {
        if ($source->recordsOf() === RecordsOf::Periods) {
            $dependencies->changesAt($this->expiry->ofItems($about->of, $context));
        }
        $isThere = $source->recordsOf() !== RecordsOf::Periods
            || $this->sources->candidates($source, $context)->where('items.slug', $slug)->exists();
        $record = $isThere ? $this->sources->record($source, $slug, $context) : null;

        return $record === null ? null : Subject::ofRecord($record, $source->type(), match ($about->kind) {
            AboutKind::Term => new PageSubject(term: ['taxonomy' => $about->of[0], 'slug' => $slug]),
            AboutKind::Person => new PageSubject(person: $record->email()),
            default => new PageSubject(month: $slug),
        });
    }
}
