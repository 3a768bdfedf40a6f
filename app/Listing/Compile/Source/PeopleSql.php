<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Database\PostgresArray;
use App\Listing\RecordRows;
use App\Listing\Visibility;
use App\Listing\VisibleItems;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\People;

/** @implements SourceSql<People> */
final class PeopleSql implements SourceSql
{
    public function source(): string
    {
        return People::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        $people = $this->accounts($context)->whereRaw(Visibility::ofPerson('items'));

        return $source->groups === []
            ? $people
            : $people->whereRaw(
                "jsonb_exists_any(items.fields->'groups', ?::text[])",
                [PostgresArray::literal(array_map(strval(...), array_keys($source->groups)))],
            );
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return $this->accounts($context);
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }

    /** @return Builder<Item> every account, closed ones too */
    private function accounts(Context $context): Builder
    {
        $query = DB::query()->selectRaw(<<<'SQL'
            listed.id, 'people' as type_key, listed.slug, listed.name as title, null::text as text,
                jsonb_build_object('title', listed.folded, 'slug', listed.slug) as folded, listed.created_at as
                    publish_at, false as lead, listed.active,
            jsonb_strip_nulls(jsonb_build_object('groups', belongs.groups, 'count', coalesce(written.items, 0))) as
                fields
            SQL)
            ->fromRaw(
                'users listed left join lateral (select jsonb_agg(groups.key order by groups.key) as groups from '
                    .'group_user join groups on groups.id = group_user.group_id where group_user.user_id = listed.id) '
                        .'as belongs on true',
            )
            ->leftJoinSub(
                VisibleItems::of([], $context)
                    ->toBase()
                    ->selectRaw('items.author_id, count(*) as items')
                    ->groupBy('items.author_id'),
                'written',
                'written.author_id',
                '=',
                'listed.id',
            );

        return RecordRows::named($query);
    }
}
