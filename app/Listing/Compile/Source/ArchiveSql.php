<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Database\PostgresArray;
use App\Listing\Compile\FieldSql;
use App\Listing\RecordRows;
use App\Listing\VisibleItems;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\Archive;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Time\Period;

/** @implements SourceSql<Archive> */
final class ArchiveSql implements SourceSql
{
    public function source(): string
    {
        return Archive::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        $raw = FieldSql::raw($source->by);
        [$day, $bindings] = $source->by->family() === Family::Date
            ? [$raw, []]
            : ["to_char({$raw}::timestamptz at time zone ?, 'YYYY-MM-DD')", [$context->calendar->zone->getName()]];
        $held = VisibleItems::of($source->typeKeys(), $context)->toBase()
            ->selectRaw("left({$day}, {$source->length()}) as stretch, count(*) as items", $bindings)
            ->whereRaw("{$raw} is not null")->groupByRaw('1');
        // The names of months are computed in PHP like in core. There are few months, however many items they contain.
        $counts = array_map(intval(...), $held->pluck('items', 'stretch')->all());
        $slugs = array_map(strval(...), array_keys($counts));
        $titles = array_map($context->calendar->named(...), $slugs);
        $query = DB::query()->selectRaw(<<<'SQL'
            replace(held.stretch, '-', '')::bigint as id, ?::text as type_key, held.stretch as slug, held.title,
                null::text as text,
            jsonb_build_object('title', held.folded, 'slug', held.stretch) as folded, null::timestamptz as publish_at,
                false as lead,
            jsonb_build_object('begins', rpad(held.stretch, 10, '-01'), 'count', held.items) as fields
            SQL, [$source->type()->key])
            ->fromRaw(
                'unnest(?::text[], ?::text[], ?::text[], ?::int[]) as held(stretch, title, folded, items)',
                array_map(
                    PostgresArray::literal(...),
                    [$slugs, $titles, array_map(Fold::of(...), $titles), array_values($counts)],
                ),
            );

        return RecordRows::named($query);
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return $this->candidates($source, $context);
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return Period::days($slug) !== null && strlen($slug) === $source->length()
            ? $source->record($slug, 0, $context)
            : null;
    }
}
