<?php

declare(strict_types=1);

namespace App\Listing\Cache;

use App\Freshness\ContentMarks;
use App\Freshness\ReadMarks;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\FromAddress;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\RecordsOf;

/** What a listing is made of: whether what was kept of it is still right depends on these, and on time alone. */
final readonly class ListingDependencies
{
    public function __construct(private ContentMarks $marks)
    {
    }

    /**
     * The marks of what modules depend on, to be read before any of their records.
     *
     * @param  array<array-key, BoundModule>  $modules
     */
    public function marksOf(array $modules): ReadMarks
    {
        $keys = array_merge(...array_values(array_map(self::of(...), $modules)));

        return new ReadMarks($keys === [] ? [] : $this->marks->of(array_values(array_unique($keys))));
    }

    /** @return list<string> the keys of the marks that the module depends on */
    public static function of(BoundModule $module): array
    {
        $people = CacheExpiry::reachesPeople($module) ? ['people'] : [];
        if ($module->source->recordsOf() === RecordsOf::Pages) {
            return [...$people, 'pages'];
        }
        // What reaches through other items, or counts all items, depends on every type.
        if ($module->source->recordsOf() !== RecordsOf::Items || CacheExpiry::reachesItems($module)) {
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

    /**
     * What of the context the result depends on, beside the moment.
     *
     * @return list<mixed>
     */
    public static function contextKey(Context $context): array
    {
        return [serialize($context->viewer), serialize($context->page)];
    }

    /** Whether a rule takes words that the visitor looks for, so that there is no end of results. */
    public static function takesWords(BoundModule $module, Context $context): bool
    {
        foreach ($module->own->where?->conditions() ?? [] as $condition) {
            $value = $condition->value;
            if ($value instanceof FromAddress && $value->take($condition->field, $context) !== null) {
                return true;
            }
        }

        return false;
    }
}
