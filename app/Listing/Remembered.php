<?php

declare(strict_types=1);

namespace App\Listing;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\Pages;
use Wellspring\Core\Run\Context;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Who\Audience;

/**
 * A listing's page as it was worked out last, for as long as it is right: until content of its type or taxonomies
 * changes (their marks are part of the name it is kept under), or until the next item appears or expires.
 */
final readonly class Remembered
{
    /** Only so that the cache does not fill up; nothing relies on it. */
    private const KEEP_SECONDS = 21_600;

    public function __construct(private Listing $listing, private Sources $sources, private Holds $holds, private Repository $cache)
    {
    }

    /**
     * What Listing::show gives.
     *
     * @throws NoSuchPage
     */
    public function show(Module $module, Context $context, string $page = '1'): Result
    {
        $now = $context->now->getTimestamp();
        $name = $this->name($module, $context);
        // What no page can be called names nothing that is kept, and may be no text at all.
        $kept = Pages::isNumber($page) ? $this->kept("{$name}:{$page}", $now) : null;
        if ($kept !== null) {
            return new Result($kept['total'], $kept['pages'], $kept['page'], [], $kept['ids'], $kept['headings'], $kept['under']);
        }
        $until = $this->holds->until($module, $context);
        $result = $this->listing->show($module, $context, $page, new KeptMarks($this->cache, $name, $now, $until));
        $this->cache->put("{$name}:{$page}", [
            'total' => $result->total, 'pages' => $result->pages, 'page' => $result->page, 'ids' => $result->ids,
            'headings' => $result->headings, 'under' => $result->under,
            'from' => $now, 'until' => $until,
        ], self::KEEP_SECONDS);

        return $result;
    }

    /** How many records the module shows in all. */
    public function total(Module $module, Context $context): int
    {
        $now = $context->now->getTimestamp();
        $name = $this->name($module, $context).':total';
        $kept = $this->kept($name, $now);
        if ($kept !== null) {
            return $kept['total'];
        }
        $until = $this->holds->until($module, $context);
        $total = $this->listing->total($module, $context);
        $this->cache->put($name, ['total' => $total, 'from' => $now, 'until' => $until], self::KEEP_SECONDS);

        return $total;
    }

    /**
     * The records of a page that show() gave. Items are read anew, which their ids make cheap; what has to be counted for
     * terms, people and months is remembered as the page is.
     *
     * @param  list<int>  $ids
     * @param  array<array-key, Field>  $fields  what is asked of them
     * @return list<Record> in the order of the ids
     */
    public function records(Module $module, array $ids, array $fields, Context $context): array
    {
        if ($module->source->isItems() || $ids === []) {
            return $this->sources->records($module->source, $ids, $fields, $context);
        }
        $now = $context->now->getTimestamp();
        $name = 'records:'.hash('xxh128', serialize([$module->source->toArray(), $ids, self::asked($context), $this->marks($module)]));
        $kept = $this->kept($name, $now);
        if ($kept !== null) {
            return unserialize($kept['records'], ['allowed_classes' => [Record::class, Status::class, Audience::class]]);
        }
        $records = $this->sources->records($module->source, $ids, $fields, $context);
        $this->cache->put($name, ['records' => serialize($records), 'from' => $now, 'until' => $this->holds->until($module, $context)], self::KEEP_SECONDS);

        return $records;
    }

    /** What a listing is kept under. The marks are read before the content: a change in between leaves what is kept under a name nobody asks for again. */
    private function name(Module $module, Context $context): string
    {
        return 'listing:'.hash('xxh128', serialize([$module->bound($context)->toArray(), self::asked($context), $this->marks($module)]));
    }

    /** @return array<string, mixed>|null what is kept under the name, where it is right at that moment */
    private function kept(string $name, int $now): ?array
    {
        $kept = $this->cache->get($name);

        return is_array($kept) && $now >= $kept['from'] && ($kept['until'] === null || $now < $kept['until']) ? $kept : null;
    }

    /**
     * What of the context the result depends on, beside the moment.
     *
     * @return list<mixed>
     */
    private static function asked(Context $context): array
    {
        return [$context->viewer->audience->value, $context->viewer->person, serialize($context->page), $context->address];
    }

    /** @return array<string, string> the marks of what the module depends on; absent where nothing was ever written */
    private function marks(Module $module): array
    {
        $query = DB::table('content_counters')->orderBy('key');
        // What reaches through other items, or counts all items, depends on every type.
        if ($module->source->isItems() && ! Holds::reaches($module)) {
            $query->whereIn('key', [
                ...array_map(fn (string $type): string => "type:{$type}", $module->source->draws()),
                ...array_map(fn (string $taxonomy): string => "taxonomy:{$taxonomy}", array_map(strval(...), array_keys($module->type()->taxonomies))),
            ]);
        }

        return $query->pluck('mark', 'key')->all();
    }
}
