<?php

declare(strict_types=1);

namespace App\Listing\Cache;

use App\Freshness\Dependencies;
use App\Freshness\ReadMarks;
use App\Listing\Listing;
use App\Listing\Paging\CachedCursors;
use App\Listing\Paging\NeighbourFinder;
use App\Listing\Sources;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Who\Audience;

/**
 * A cached page of a listing. It is valid until content that it depends on changes, or until it expires. The marks of
 * that content are part of the cache key.
 */
final readonly class CachedListing
{
    /**
     * Size limit of cached records, in bytes. Larger ones, such as records with long texts, are read again, because
     * memory is for frequent requests.
     */
    private const MOST_BYTES = 65_536;

    public function __construct(
        private Listing $listing,
        private Sources $sources,
        private CacheExpiry $expiry,
        private ResultCache $cache,
        private ListingDependencies $dependencies,
        private NeighbourFinder $neighbours,
    ) {
    }

    /**
     * Returns the same as Listing::show.
     *
     * @param  Dependencies  $dependencies  records what the result is made of
     * @param  ReadMarks  $marks  of this module and others
     * @param  int|null  $listed  see Listing::show
     *
     * @throws NoSuchPage
     */
    public function show(
        BoundModule $module,
        Context $context,
        string $page,
        Dependencies $dependencies,
        ReadMarks $marks,
        ?int $listed = null,
    ): Result {
        $now = $context->now->getTimestamp();
        $hasWords = ListingDependencies::takesWords($module, $context);
        // A page number that cannot exist is never cached, and may not even be valid text.
        $name = ! $hasWords && $module->chosen->isOneOfFew() && PageNumbers::isNumber($page)
            ? $this->name($module, $context, $marks)
            : null;
        $dependencies->on(...ListingDependencies::of($module));
        if ($name === null) {
            // A page with this result may be cached if its parameters are known. Searches by words are not cached.
            $dependencies->changesAt($hasWords ? $now : $this->expiry->until($module, $context));

            return $this->listing->show($module, $context, $page, listed: $listed);
        }
        $kept = $this->cache->get("{$name}:{$page}", $now);
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
        $cursors = new CachedCursors($this->cache->store, $name, $now, $until);
        $result = $this->listing->show($module, $context, $page, $cursors, $listed);
        $this->cache->put("{$name}:{$page}", [
            'total' => $result->total, 'pages' => $result->pages, 'page' => $result->page,
            'keys' => array_map(strval(...), $result->keys),
            'headings' => $result->headings, 'under' => $result->under,
        ], $now, $until);

        return $result;
    }

    /**
     * The records before and after a record; see NeighbourFinder. This result has no cache entry of its own.
     *
     * @param  Dependencies  $dependencies  records what the result is made of
     * @return array{previous: RecordKey|null, next: RecordKey|null}
     */
    public function neighbours(BoundModule $module, int $id, Context $context, Dependencies $dependencies): array
    {
        $dependencies->on(...ListingDependencies::of($module));
        $dependencies->changesAt($this->expiry->until($module, $context));

        return $this->neighbours->of($module, $id, $context);
    }

    /**
     * The total number of records of each module.
     *
     * @template TKey of array-key
     *
     * @param  array<TKey, Module>  $modules
     * @return array<TKey, int> under the modules' keys
     */
    public function totals(array $modules, Context $context): array
    {
        $now = $context->now->getTimestamp();
        $modules = array_map(fn (Module $module): BoundModule => $module->bound($context), $modules);
        $marks = $this->dependencies->marksOf($modules);
        $names = array_map(fn (BoundModule $module): ?string => $this->name($module, $context, $marks), $modules);
        $wanted = array_values(
            array_unique(array_map(fn (string $name): string => "{$name}:total", array_filter($names))),
        );
        $kept = $this->cache->getMany($wanted, $now);
        $totals = $new = [];
        foreach ($modules as $key => $module) {
            $name = $names[$key] === null ? '' : "{$names[$key]}:total";
            $known = $new[$name] ?? $kept[$name] ?? null;
            $totals[$key] = $known['total'] ?? $this->listing->total($module, $context);
            if ($known === null && $name !== '') {
                $new[$name] = ['total' => $totals[$key], 'until' => $this->expiry->until($module, $context)];
            }
        }
        if ($new !== []) {
            $this->cache->putMany($new, $now);
        }

        return $totals;
    }

    /**
     * The records of a page from show(), cached like the page unless they are large.
     *
     * @param  list<RecordKey>  $keys
     * @param  array<array-key, Field>  $fields  the fields that are read
     * @param  ReadMarks  $marks  of this module and others
     * @return list<Record> in the order of the keys
     */
    public function records(
        BoundModule $module,
        array $keys,
        array $fields,
        Context $context,
        ReadMarks $marks,
    ): array {
        $marks = $keys === [] ? null : $marks->of(ListingDependencies::of($module));
        if ($marks === null) {
            return $this->sources->records($module->source, $keys, $fields, $context);
        }
        $now = $context->now->getTimestamp();
        $asked = [
            $module->source->toArray(), array_map(strval(...), $keys),
            ListingDependencies::contextKey($context), $marks,
            array_map(fn (Field $field): string => $field->key, $fields),
        ];
        $name = 'records:'.hash('xxh128', serialize($asked));
        $kept = $this->cache->get($name, $now);
        if ($kept !== null) {
            return unserialize(
                $kept['records'],
                ['allowed_classes' => [Record::class, Status::class, Audience::class]],
            );
        }
        $records = $this->sources->records($module->source, $keys, $fields, $context);
        $written = serialize($records);
        if (strlen($written) <= self::MOST_BYTES) {
            $until = $this->expiry->until($module, $context);
            $this->cache->put($name, ['records' => $written], $now, $until);
        }

        return $records;
    }

    /**
     * The cache key of a listing. The marks are read before the content. If content changes in between, the entry gets
     * a key that no later request uses.
     *
     * @param  ReadMarks  $marks  at least those that the module depends on
     * @return string|null null where nothing may be kept
     */
    private function name(BoundModule $module, Context $context, ReadMarks $marks): ?string
    {
        $read = $marks->of(ListingDependencies::of($module));

        return $read === null ? null : 'listing:'.hash('xxh128', serialize([
            $module->toArray(), $module->chosen->parameters(), ListingDependencies::contextKey($context), $read,
        ]));
    }
}
