<?php

declare(strict_types=1);

namespace App\Listing\Cache;

use App\Listing\Compile\FieldSql;
use App\Listing\PageRecords;
use App\Models\Item;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\Part\FieldValue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\MovingSpan;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Time\DurationUnit;

/**
 * Computes until when a result is valid while no content changes. Schedules and rules about time change a result
 * without a write.
 */
final readonly class CacheExpiry
{
    /** Views are counted continuously. A result that reads them expires after a minute. */
    private const VIEWS = 60;

    /**
     * Tolerance for clock changes: a number of days is not always 24 hours times that number, but differs by no more
     * than this.
     */
    private const CLOCK_CHANGE = 7200;

    public function __construct(private PageRecords $pages)
    {
    }

    /**
     * @return int|null a timestamp; null: for good. Now: not at all
     */
    public function until(BoundModule $module, Context $context): ?int
    {
        $now = $context->now->getTimestamp();
        $types = self::reachesItems($module) ? [] : $module->source->typeKeys();
        $moments = $module->source->recordsOf() === RecordsOf::Pages
            ? [$this->pages->nextChange($context)]
            : $this->nextChanges($types, $context);
        foreach ($module->conditions() as $condition) {
            // Conditions of the offer matter only after a visitor has chosen them.
            $moments[] = $this->condition($condition->bound($context), $types, $context);
        }
        foreach ($module->order as $key) {
            $moments[] = match (true) {
                $key->by->countsViews() => $now + self::VIEWS,
                $key->by->changesDaily() => self::tomorrow($context),
                default => null,
            };
        }
        $moments[] = $module->arrange->changesDaily() ? self::tomorrow($context) : null;
        array_push($moments, ...$this->ofCard($module->shownCard, $types, $context));
        $moments = array_filter($moments, is_int(...));

        return $moments === [] ? null : max($now, min($moments));
    }

    /**
     * The next instant at which a card changes without a write.
     *
     * @param  list<string>  $types  of the items that the card shows; empty: of every type
     * @return list<int|null> timestamps; null: never
     */
    public function ofCard(Card $card, array $types, Context $context): array
    {
        $moments = $card->changesDaily() ? [self::tomorrow($context)] : [];
        foreach ($card->conditions() as $condition) {
            $moments[] = $this->condition($condition->bound($context), $types, $context);
        }
        foreach ($card->parts() as $part) {
            if ($part->field !== null && FieldValue::saysWhetherOpen($part)) {
                $moments[] = $this->nextOpening($part->field, $types, $context);
            }
        }
        foreach ($card->fields() as $field) {
            $moments[] = $field->key === 'views' ? $context->now->getTimestamp() + self::VIEWS : null;
        }

        return $moments;
    }

    /**
     * The next instant at which an item of the types appears or expires.
     *
     * @param  list<string>  $types  empty: every type
     * @return int|null a timestamp; null: never
     */
    public function ofItems(array $types, Context $context): ?int
    {
        $moments = $this->nextChanges($types, $context);

        return $moments === [] ? null : min($moments);
    }

    /**
     * The next instant at which one item appears or expires.
     *
     * @return int|null a timestamp; null: never
     */
    public function ofItem(string $type, string $slug, Context $context): ?int
    {
        $item = Item::query()
            ->where(['type_key' => $type, 'slug' => $slug, 'status' => Status::Published])
            ->first(['publish_at', 'expire_at']);
        $moments = array_filter(
            [$item?->publish_at?->getTimestamp(), $item?->expire_at?->getTimestamp()],
            fn (?int $moment): bool => $moment !== null && $moment > $context->now->getTimestamp(),
        );

        return $moments === [] ? null : min($moments);
    }

    /** True if the result depends on more than the module's own items and the terms that they share. */
    public static function reachesItems(BoundModule $module): bool
    {
        foreach ($module->conditions() as $condition) {
            // A search over several types reads the names of all taxonomies' terms, shared or not.
            if ($condition->test->readsTermNames() && count($module->source->typeKeys()) !== 1) {
                return true;
            }
        }

        return self::links($module, Family::Items);
    }

    /** True if the result depends on the accounts and their names. */
    public static function reachesPeople(BoundModule $module): bool
    {
        return $module->source->recordsOf() === RecordsOf::People || self::links($module, Family::Person);
    }

    /** True if a condition or a part of the card reads linked items. */
    private static function links(BoundModule $module, Family $to): bool
    {
        $fields = [
            ...array_map(
                fn (Condition $condition): Field => $condition->field->through ?? $condition->field,
                $module->conditions(),
            ),
            ...array_map(fn (Field $field): Field => $field->through ?? $field, $module->shownCard->fields()),
        ];

        return array_filter($fields, fn (Field $field): bool => $field->family() === $to) !== [];
    }

    /**
     * The next instant at which an item of the types opens or closes, at the latest the end of the day.
     *
     * @param  list<string>  $types
     */
    private function nextOpening(Field $field, array $types, Context $context): int
    {
        $zone = $context->calendar->zone;
        $now = $context->now->setTimezone($zone);
        $day = strtolower($now->format('D'));
        $times = DB::table('items')
            ->selectRaw('distinct jsonb_path_query(fields, ?::jsonpath) #>> \'{}\' as time', [
                '$.'.json_encode($field->key).".{$day}[*][*]",
            ])
            ->where('status', Status::Published)
            ->when($types !== [], fn (Builder $query): Builder => $query->whereIn('type_key', $types))
            ->pluck('time');
        $next = $times->filter(fn (mixed $time): bool => is_string($time) && $time > $now->format('H:i'))->min();

        return is_string($next) && $next !== '24:00'
            ? (new \DateTimeImmutable($now->format('Y-m-d')." {$next}", $zone))->getTimestamp()
            : self::tomorrow($context);
    }

    /** @param  list<string>  $types */
    private function condition(BoundCondition $condition, array $types, Context $context): ?int
    {
        $now = $context->now->getTimestamp();
        if ($condition->off || $condition->missing !== null) {
            return null;
        }
        $moving = $condition->test->movingSpan($condition, $context);

        return match (true) {
            $condition->field->key === 'views' => $now + self::VIEWS,
            $condition->test->changesDaily($condition) => self::tomorrow($context),
            $moving === null => null,
            $condition->field->through !== null => $now,
            default => $this->crossing($moving, $condition->field, $types, $context),
        };
    }

    /**
     * The next instant at which a value enters or leaves the span that moves with the clock.
     *
     * @param  list<string>  $types
     */
    private function crossing(MovingSpan $moving, Field $field, array $types, Context $context): ?int
    {
        $now = $context->now->getTimestamp();
        $span = $moving->span;
        $raw = FieldSql::moment($field);
        $moments = [];
        foreach (array_filter([$span->from, $span->until]) as $end) {
            $next = Item::query()
                ->toBase()
                ->when($types !== [], fn ($query) => $query->whereIn('items.type_key', $types))
                ->whereRaw("{$raw} >= ?", [$end])->selectRaw("min({$raw}) as next")->value('next');
            if (is_string($next)) {
                $wait = (new \DateTimeImmutable($next))
                    ->getTimestamp() - (new \DateTimeImmutable($end))
                    ->getTimestamp();
                $moments[] = $now + max(
                    0,
                    $wait - ($moving->keepsLocalTime && $end !== $context->at() ? self::CLOCK_CHANGE : 0),
                );
            }
        }

        return $moments === [] ? null : min($moments);
    }

    /**
     * The next instant at which an item appears, and the next at which one expires.
     *
     * @param  list<string>  $types  empty: every type
     * @return list<int> timestamps
     */
    private function nextChanges(array $types, Context $context): array
    {
        $next = fn (string $column): Builder => Item::query()
            ->toBase()
            ->when($types !== [], fn ($query) => $query->whereIn('type_key', $types))
            ->where('status', Status::Published->value)
            ->where($column, '>', $context->at())
            ->selectRaw("min({$column})");
        $row = (array) DB::query()
            ->selectSub($next('publish_at'), 'appears')
            ->selectSub($next('expire_at'), 'expires')
            ->first();

        return array_values(
            array_map(
                fn (string $moment): int => (new \DateTimeImmutable($moment))->getTimestamp(),
                array_filter($row, is_string(...)),
            ),
        );
    }

    private static function tomorrow(Context $context): int
    {
        return (new \DateTimeImmutable($context->calendar->firstInstant($context->calendar->movedDay(
            $context->today(),
            1,
            DurationUnit::Days,
        ))))
            ->getTimestamp();
    }
}
