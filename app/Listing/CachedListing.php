<?php

declare(strict_types=1);

namespace App\Listing;

use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use App\Freshness\ReadMarks;
use Illuminate\Contracts\Cache\Repository;
use Wellspring\Core\Choice\Chosen;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Filter\Value\FromAddress;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Who\Audience;

/**
 * A listing's page as it was computed last, for as long as it is right: until content that it depends on changes (the
 * marks of that content are part of the name it is kept under), or until time alone changes it.
 */
final readonly class CachedListing
{
    /** Only so that the cache does not fill up; nothing relies on it. */
    private const KEEP_SECONDS = 21_600;

    /** Records that are longer, with long texts among them, are read anew: memory is for what is asked for often. */
    private const MOST_BYTES = 65_536;

    public function __construct(
        private Listing $listing,
        private Sources $sources,
        private CacheExpiry $expiry,
        private Repository $cache,
        private ContentMarks $marks,
        private NeighbourFinder $neighbours,
        private FacetCounter $facets,
    ) {
    }

    /**
     * What Listing::show gives.
     *
     * @param  Dependencies  $dependencies  told what the result is made of
     * @param  ReadMarks|null  $marks  of this module and others; null: they are read here
     * @param  int|null  $listed  see Listing::show
     *
     * @throws NoSuchPage
     */
    public function show(
        Module $module,
        Context $context,
        string $page = '1',
        Dependencies $dependencies = new Dependencies,
        ?ReadMarks $marks = null,
        ?int $listed = null,
    ): Result {
        $now = $context->now->getTimestamp();
        $hasWords = self::takesWords($module, $context);
        $module = $module->bound($context);
        // What no page can be called names nothing that is kept, and may be no text at all.
        $name = ! $hasWords && $module->chosen->isOneOfFew() && PageNumbers::isNumber($page)
            ? $this->name($module, $context, ($marks ?? $this->marksOf([$module], $context))->byKey)
            : null;
        $dependencies->on(...$this->dependsOn($module));
        if ($name === null) {
            // A whole page with it may be kept where its parameters are known; of words nothing is.
            $dependencies->changesAt($hasWords ? $now : $this->expiry->until($module, $context));

            return $this->listing->show($module, $context, $page, listed: $listed);
        }
        $kept = self::valid($this->cache->get("{$name}:{$page}"), $now);
        if ($kept !== null) {
            $dependencies->changesAt($kept['until']);

            return new Result(
                $kept['total'],
                $kept['pages'],
                $kept['page'],
                [],
                array_values(array_map(RecordKey::parse(...), $kept['keys'])),
                $kept['headings'],
                $kept['under'],
            );
        }
        $until = $this->expiry->until($module, $context);
        $dependencies->changesAt($until);
        $cursors = new CachedCursors($this->cache, $name, $now, $until);
        $result = $this->listing->show($module, $context, $page, $cursors, $listed);
        $this->cache->put("{$name}:{$page}", [
            'total' => $result->total, 'pages' => $result->pages, 'page' => $result->page,
            'keys' => array_map(strval(...), $result->keys),
            'headings' => $result->headings, 'under' => $result->under,
            'from' => $now, 'until' => $until,
        ], self::KEEP_SECONDS);

        return $result;
    }

    /**
     * What the filters of the module's offer have to choose, each kept under what the others are: what is chosen of a
     * filter changes nothing of its own counts.
     *
     * @param  ReadMarks|null  $marks  of this module and others; null: they are read here
     * @return list<Facet> in the order of the offer; none where the module follows another's
     */
    public function facets(Module $module, Context $context, ?ReadMarks $marks = null): array
    {
        $filters = $module->follows === null ? $module->offer->filters ?? [] : [];
        if ($filters === []) {
            return [];
        }
        $now = $context->now->getTimestamp();
        $hasWords = self::takesWords($module, $context);
        $module = $module->bound($context);
        $marks = ($marks ?? $this->marksOf([$module], $context))->byKey;
        $facets = $missing = $names = [];
        foreach ($filters as $i => $filter) {
            $others = $module->chosen->without($filter);
            $names[$i] = $marks === null || $hasWords || ! $others->isOneOfFew()
                ? null
                : $this->facetName($filter, $others, $module, $context, $marks);
            $kept = $names[$i] === null ? null : self::valid($this->cache->get($names[$i]), $now);
            if ($kept === null) {
                $missing[$i] = $filter;
            } else {
                $facets[$i] = self::facet($kept['facet'], $filter, $module);
            }
        }
        $until = $missing === [] ? null : $this->expiry->until($module, $context);
        $places = array_keys($missing);
        foreach ($this->facets->of($module, $context, array_values($missing)) as $n => $facet) {
            $i = $places[$n];
            $facets[$i] = $facet;
            if ($names[$i] !== null) {
                $this->cache->put($names[$i], [
                    'facet' => serialize([$facet->counts, $facet->range, $facet->left]),
                    'from' => $now, 'until' => $until,
                ], self::KEEP_SECONDS);
            }
        }
        ksort($facets);

        return array_values($facets);
    }

    /** @param  array<string, string>  $marks  at least those that the module depends on */
    private function facetName(
        OfferedFilter $filter,
        Chosen $others,
        Module $module,
        Context $context,
        array $marks,
    ): string {
        // How the records are ordered, paged and laid out changes nothing.
        $rules = array_diff_key($module->toArray(), array_flip(['name', 'order', 'page', 'arrange', 'offer', 'look']));

        return 'facet:'.hash('xxh128', serialize([
            $rules,
            $filter->toArray(),
            $filter->join === Quantifier::All ? $module->chosen->of($filter)?->said : null,
            $others->filterParameters(),
            self::asked($context),
            array_intersect_key($marks, array_flip($this->dependsOn($module))),
        ]));
    }

    private static function facet(mixed $kept, OfferedFilter $filter, Module $module): Facet
    {
        /** @var array{array<array-key, int>, FacetRange|null, int} $read */
        $read = unserialize(is_string($kept) ? $kept : '', ['allowed_classes' => [FacetRange::class]]);

        return new Facet($filter, $module->chosen->of($filter), ...$read);
    }

    /**
     * What stands before and after a record; see NeighbourFinder. It is not cached by itself.
     *
     * @param  Dependencies  $dependencies  told what the result is made of
     * @return array{previous: RecordKey|null, next: RecordKey|null}
     */
    public function neighbours(Module $module, int $id, Context $context, Dependencies $dependencies): array
    {
        $bound = $module->bound($context);
        $dependencies->on(...$this->dependsOn($bound));
        $dependencies->changesAt($this->expiry->until($bound, $context));

        return $this->neighbours->of($module, $id, $context);
    }

    /**
     * The marks of what modules depend on, to be read before any of their records.
     *
     * @param  array<array-key, Module>  $modules
     */
    public function marksOf(array $modules, Context $context): ReadMarks
    {
        $keys = array_merge(...array_values(array_map(
            fn (Module $module): array => $this->dependsOn($module->bound($context)),
            $modules,
        )));

        return new ReadMarks($keys === [] ? [] : $this->marks->of(array_values(array_unique($keys))));
    }

    /**
     * How many records each module shows in all.
     *
     * @template TKey of array-key
     *
     * @param  array<TKey, Module>  $modules
     * @return array<TKey, int> under the modules' keys
     */
    public function totals(array $modules, Context $context): array
    {
        $now = $context->now->getTimestamp();
        $modules = array_map(fn (Module $module): Module => $module->bound($context), $modules);
        $marks = $this->marksOf($modules, $context)->byKey;
        $names = array_map(fn (Module $module): ?string => $this->name($module, $context, $marks), $modules);
        $wanted = array_values(
            array_unique(array_map(fn (string $name): string => "{$name}:total", array_filter($names))),
        );
        $kept = [];
        foreach ($wanted === [] ? [] : $this->cache->getMultiple($wanted) as $name => $value) {
            $kept[(string) $name] = $value;
        }
        $totals = $new = [];
        foreach ($modules as $key => $module) {
            $name = $names[$key] === null ? '' : "{$names[$key]}:total";
            $known = self::valid($new[$name] ?? $kept[$name] ?? null, $now);
            $totals[$key] = $known['total'] ?? $this->listing->total($module, $context);
            if ($known === null && $name !== '') {
                $new[$name] = [
                    'total' => $totals[$key],
                    'from' => $now,
                    'until' => $this->expiry->until($module, $context),
                ];
            }
        }
        if ($new !== []) {
            $this->cache->setMultiple($new, self::KEEP_SECONDS);
        }

        return $totals;
    }

    /**
     * The records of a page that show() gave, kept as the page is, unless they are large.
     *
     * @param  list<RecordKey>  $keys
     * @param  array<array-key, Field>  $fields  what is asked of them
     * @param  ReadMarks|null  $marks  of this module and others; null: they are read here
     * @return list<Record> in the order of the keys
     */
    public function records(
        Module $module,
        array $keys,
        array $fields,
        Context $context,
        ?ReadMarks $marks = null,
    ): array {
        $marks = $keys === [] ? null : ($marks ?? $this->marksOf([$module], $context))->byKey;
        $marks = $marks === null ? null : array_intersect_key($marks, array_flip($this->dependsOn($module)));
        if ($marks === null) {
            return $this->sources->records($module->source, $keys, $fields, $context);
        }
        $now = $context->now->getTimestamp();
        $asked = [
            $module->source->toArray(), array_map(strval(...), $keys), self::asked($context), $marks,
            array_map(fn (Field $field): string => $field->key, $fields),
        ];
        $name = 'records:'.hash('xxh128', serialize($asked));
        $kept = self::valid($this->cache->get($name), $now);
        if ($kept !== null) {
            return unserialize(
                $kept['records'],
                ['allowed_classes' => [Record::class, Status::class, Audience::class]],
            );
        }
        $records = $this->sources->records($module->source, $keys, $fields, $context);
        $written = serialize($records);
        if (strlen($written) <= self::MOST_BYTES) {
            $until = $this->expiry->until($module->bound($context), $context);
            $this->cache->put($name, ['records' => $written, 'from' => $now, 'until' => $until], self::KEEP_SECONDS);
        }

        return $records;
    }

    /**
     * What a listing is kept under. The marks are read before the content: after a change in between, what is kept lies
     * under a name that nobody asks for again.
     *
     * @param  Module  $module  bound
     * @param  array<string, string>|null  $marks  at least those that the module depends on
     * @return string|null null where nothing may be kept
     */
    private function name(Module $module, Context $context, ?array $marks): ?string
    {
        if ($marks === null) {
            return null;
        }
        $marks = array_intersect_key($marks, array_flip($this->dependsOn($module)));

        return 'listing:'.hash(
            'xxh128',
            serialize([$module->toArray(), $module->chosen->parameters(), self::asked($context), $marks]),
        );
    }

    /** @return array<string, mixed>|null what was kept, where it is right at that moment */
    private static function valid(mixed $kept, int $now): ?array
    {
        return is_array($kept) && $now >= $kept['from'] && ($kept['until'] === null || $now < $kept['until'])
            ? $kept
            : null;
    }

    /**
     * What of the context the result depends on, beside the moment.
     *
     * @return list<mixed>
     */
    private static function asked(Context $context): array
    {
        return [serialize($context->viewer), serialize($context->page)];
    }

    /** Whether a rule takes words that the visitor looks for: of those there is no end. Told before it is bound. */
    private static function takesWords(Module $module, Context $context): bool
    {
        foreach ($module->where?->conditions() ?? [] as $condition) {
            $value = $condition->value;
            if ($value instanceof FromAddress && $value->take($condition->field, $context) !== null) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> the keys of the marks that the module depends on */
    private function dependsOn(Module $module): array
    {
        $people = CacheExpiry::reachesPeople($module) ? ['people'] : [];
        // What reaches through other items, or counts all items, depends on every type.
        if (! $module->source->isItems() || CacheExpiry::reachesItems($module)) {
            return [...$people, 'content'];
        }

        return [
            ...$people,
            ...array_map(fn (string $type): string => "type:{$type}", $module->source->typeKeys()),
            ...array_map(
                fn (string $taxonomy): string => "taxonomy:{$taxonomy}",
                array_map(strval(...), array_keys($module->type()->taxonomies)),
            ),
        ];
    }
}
