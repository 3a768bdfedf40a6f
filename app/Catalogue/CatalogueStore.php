<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Freshness\ContentMarks;
use App\Models\ContentType;
use App\Models\Group;
use App\Models\Taxonomy as TaxonomyRow;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\Term;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Look\ShippedLooks;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** The site's types, taxonomies and settings, read from the database once after each change. */
final class CatalogueStore
{
    /** Maximum lifetime in seconds, which only limits the size of the cache. */
    private const KEEP_SECONDS = 86_400;

    /**
     * The version of the cache entries. Change it with their keys, so that entries of an older release are not read.
     */
    private const FORM = '6-';

    private ?Catalogue $catalogue = null;

    private ?SiteSettings $settings = null;

    private ?Look $look = null;

    /** @var array<string, array<string, int>> ids by taxonomy and slug */
    private array $termIds = [];

    /** @var array<string, int> by the key of a type */
    private array $typeRevisions = [];

    /** @var \WeakMap<Type, int> revisions of all types that were handed out, also before the last change */
    private \WeakMap $revisionsRead;

    public function __construct(private readonly Repository $cache, private readonly ContentMarks $marks)
    {
        $this->revisionsRead = new \WeakMap;
    }

    public function catalogue(): Catalogue
    {
        if ($this->catalogue !== null) {
            return $this->catalogue;
        }
        $mark = $this->marks->of(['catalogue']);
        $name = $mark === null
            ? null
            : 'catalogue:'.self::FORM.hash('xxh128', serialize([$mark, self::configured()]));
        $kept = $name === null ? null : $this->cache->get($name);
        if (is_array($kept) && $kept['catalogue'] instanceof Catalogue) {
            $this->termIds = $kept['termIds'];
            $this->typeRevisions = $kept['typeRevisions'];
            $this->settings = $kept['settings'];
            $this->look = $kept['look'];

            return $this->remembered($kept['catalogue']);
        }
        $this->catalogue = $this->remembered($this->read());
        if ($name !== null) {
            $this->cache->put(
                $name,
                [
                    'catalogue' => $this->catalogue, 'termIds' => $this->termIds,
                    'typeRevisions' => $this->typeRevisions,
                    'settings' => $this->settings, 'look' => $this->look,
                ],
                self::KEEP_SECONDS,
            );
        }

        return $this->catalogue;
    }

    /** The settings of the site; before any are published, those of the configuration. */
    public function settings(): SiteSettings
    {
        $this->catalogue();

        return $this->settings ??= self::readSettings();
    }

    /** The live look; before one is chosen, the default look. */
    public function look(): Look
    {
        $this->catalogue();

        return $this->look ??= self::readLook();
    }

    private static function readLook(): Look
    {
        $live = DB::table('site_definitions')->where('kind', 'look')->whereNotNull('live')->value('live');
        try {
            return is_string($live) ? LookReader::read(json_decode($live, true)) : ShippedLooks::first();
        } catch (Refused $refused) {
            report(new \RuntimeException("The live look cannot be read: {$refused->getMessage()}"));
        }

        return ShippedLooks::first();
    }

    private static function readSettings(): SiteSettings
    {
        $live = DB::table('site_definitions')->where('kind', 'settings')->value('live');
        try {
            return SiteSettingsReader::read(is_string($live) ? json_decode($live, true) : self::configured());
        } catch (Refused $refused) {
            report(new \RuntimeException("The site's settings cannot be read: {$refused->getMessage()}"));
        }

        return SiteSettingsReader::read(self::configured());
    }

    /** @return array<string, mixed> */
    private static function configured(): array
    {
        return [
            'format' => SiteSettingsReader::FORMAT,
            'name' => config()->string('site.name'),
            'locale' => str_replace('_', '-', config()->string('site.locale')),
            'timeZone' => config()->string('site.time_zone'),
            'currency' => config()->string('site.currency'),
            'signUp' => config()->boolean('site.sign_up'),
        ];
    }

    private function read(): Catalogue
    {
        $this->settings = self::readSettings();
        $this->look = self::readLook();
        $taxonomies = $this->taxonomies();
        $types = $this->typeRevisions = [];
        foreach (ContentType::query()->orderBy('position')->orderBy('key')->get() as $row) {
            $types[$row->key] = TypeFile::read($row->definition, $taxonomies, stored: true);
            $this->typeRevisions[$row->key] = $row->revision;
        }

        return new Catalogue(
            $types,
            $taxonomies,
            Group::query()
                ->orderBy('key')
                ->pluck('name', 'key')
                ->map(fn (mixed $name): string => is_string($name) ? $name : '')
                ->all(),
        );
    }

    /** Call this after types, taxonomies or terms were written. */
    public function forget(): void
    {
        $this->catalogue = null;
        $this->settings = null;
        $this->look = null;
        $this->termIds = $this->typeRevisions = [];
    }

    /** @return int|null the revision of the definition that the type was read from; null for one made elsewhere */
    public function revisionOf(Type $type): ?int
    {
        return $this->revisionsRead[$type] ?? null;
    }

    private function remembered(Catalogue $catalogue): Catalogue
    {
        foreach ($catalogue->types as $key => $type) {
            $this->revisionsRead[$type] = $this->typeRevisions[$key];
        }

        return $this->catalogue = $catalogue;
    }

    /**
     * @param  list<string>  $slugs
     * @return list<int> the ids of those that exist
     */
    public function termIds(string $taxonomy, array $slugs): array
    {
        $this->catalogue();
        $ids = $this->termIds[$taxonomy] ?? [];

        return array_values(array_intersect_key($ids, array_flip($slugs)));
    }

    /**
     * @param  list<int>  $ids  of terms of any taxonomy
     * @return list<string> the slugs of those that are of the taxonomy
     */
    public function termSlugs(string $taxonomy, array $ids): array
    {
        $this->catalogue();

        return array_map(strval(...), array_keys(array_intersect($this->termIds[$taxonomy] ?? [], $ids)));
    }

    /**
     * @param  list<string>  $slugs
     * @return list<int> the ids in the order of the slugs; 0 for one that is not there
     */
    public function termIdsInOrder(string $taxonomy, array $slugs): array
    {
        $this->catalogue();

        return array_map(fn (string $slug): int => $this->termIds[$taxonomy][$slug] ?? 0, $slugs);
    }

    /**
     * @param  list<string>  $taxonomies
     * @return list<int> the ids of the terms that the record has of the taxonomies
     */
    public function termsOf(?Record $record, array $taxonomies): array
    {
        return $record === null
            ? []
            : array_merge(
                ...array_map(
                    fn (string $taxonomy): array => $this->termIds($taxonomy, $record->terms($taxonomy)),
                    $taxonomies,
                ),
            );
    }

    /** @return array<int, array{own: int, withBelow: int}> how many items each term of a taxonomy has, by its id */
    public function itemsOfTerms(string $taxonomy): array
    {
        $rows = DB::select(<<<'SQL'
            with recursive above(term, over) as (
                select id, id from terms where taxonomy_key = ?
                union
                select above.term, terms.parent_id
                from above join terms on terms.id = above.over where terms.parent_id is not null
            )
            select above.over as id, count(distinct item_id) as below,
                count(distinct item_id) filter (where above.term = above.over) as own
            from above join item_term on item_term.term_id = above.term group by above.over
            SQL, [$taxonomy]);
        $counts = [];
        foreach ($rows as $row) {
            $counts[(int) $row->id] = ['own' => (int) $row->own, 'withBelow' => (int) $row->below];
        }

        return $counts;
    }

    /**
     * @param  array<string, mixed>  $stored
     * @return array<string, Field>
     */
    private static function fields(array $stored): array
    {
        $problems = new Problems;
        $fields = $stored === [] ? [] : TypeFile::readFields(new Shape($stored, '', $problems), [], $problems);
        $problems->refuseIfAny();

        return $fields;
    }

    /** @return array<string, Taxonomy> */
    private function taxonomies(): array
    {
        // Plain rows, not models, because a taxonomy may have thousands of terms and every page needs them.
        $rows = DB::table('terms')
            ->orderBy('position')
            ->orderBy('id')
            ->get(['id', 'taxonomy_key', 'parent_id', 'slug', 'name']);
        $slugs = $rows->pluck('slug', 'id');
        $terms = [];
        $this->termIds = [];
        foreach ($rows as $row) {
            $parent = $row->parent_id === null ? null : $slugs[$row->parent_id] ?? null;
            $terms[(string) $row->taxonomy_key][] = new Term(
                (string) $row->slug,
                (string) $row->name,
                is_string($parent) ? $parent : null,
            );
            $this->termIds[(string) $row->taxonomy_key][(string) $row->slug] = (int) $row->id;
        }
        $taxonomies = [];
        foreach (TaxonomyRow::query()->orderBy('key')->get() as $row) {
            $taxonomies[$row->key] = new Taxonomy(
                $row->key,
                $row->label,
                $row->tree,
                new TermTree($terms[$row->key] ?? []),
                self::fields($row->fields),
            );
        }

        return $taxonomies;
    }
}
