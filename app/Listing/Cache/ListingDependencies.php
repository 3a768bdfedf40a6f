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

/**
 * Collects what a listing depends on. A cached listing is valid while these marks are unchanged and it has not expired.
 */
final readonly class ListingDependencies
{
    public function __construct(private ContentMarks $marks)
    {
    }

    /**
     * The marks that the modules depend on. Read them before any of the records.
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
        // A rule that follows links, or counts all items, depends on every type.
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
     * The parts of the context that the result depends on, apart from the instant.
     *
     * @return list<mixed>
     */
    public static function contextKey(Context $context): array
    {
        return [serialize($context->viewer), serialize($context->page)];
    }

    /** True if a rule takes words from the visitor, so that the number of different results is unbounded. */
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
