<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Who\Audience;

/**
 * A listing's page as it was worked out last, for as long as it is right: until content of its type or taxonomies
 * changes (their marks are part of the name it is kept under), or until the next item appears or expires.
 */
final readonly class Remembered
{
    /** Only so that the cache does not fill up; nothing relies on it. */
    private const KEEP_SECONDS = 86_400;

    public function __construct(private Listing $listing, private Repository $cache)
    {
    }

    /**
     * What Listing::show gives.
     *
     * @throws NoSuchPage
     */
    public function show(Module $module, \DateTimeImmutable $now, Audience $viewer, string $page = '1'): Result
    {
        // The marks are read before the content: a change in between leaves what is kept under a name nobody asks for again.
        $name = 'listing:'.hash('xxh128', serialize([$module->toArray(), $viewer->value, $page, $this->marks($module)]));
        $kept = $this->cache->get($name);
        if (is_array($kept) && $now->getTimestamp() >= $kept['from'] && ($kept['until'] === null || $now->getTimestamp() < $kept['until'])) {
            return new Result($kept['total'], $kept['pages'], $kept['page'], [], $kept['ids']);
        }
        $result = $this->listing->show($module, $now, $viewer, $page);
        $this->cache->put($name, [
            'total' => $result->total,
            'pages' => $result->pages,
            'page' => $result->page,
            'ids' => $result->ids,
            'from' => $now->getTimestamp(),
            'until' => $this->nextChange($module, $now),
        ], self::KEEP_SECONDS);

        return $result;
    }

    /** @return array<string, string> the marks of what the module depends on; absent where nothing was ever written */
    private function marks(Module $module): array
    {
        $keys = ["type:{$module->source->key}"];
        foreach ($module->source->taxonomies as $taxonomy) {
            $keys[] = "taxonomy:{$taxonomy->key}";
        }

        return DB::table('content_counters')->whereIn('key', $keys)->orderBy('key')->pluck('mark', 'key')->all();
    }

    /** The timestamp at which an item of the module's type appears or expires next; null where none is to. */
    private function nextChange(Module $module, \DateTimeImmutable $now): ?int
    {
        $of = fn (string $column): mixed => Item::query()->toBase()
            ->where('type_key', $module->source->key)->where('status', Status::Published->value)
            ->where($column, '>', $now)->min($column);
        $moments = array_filter([$of('publish_at'), $of('expire_at')], is_string(...));

        return $moments === [] ? null : min(array_map(fn (string $at): int => (new \DateTimeImmutable($at))->getTimestamp(), $moments));
    }
}
