<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use App\Database\PostgresArray;
use App\Listing\RecordRows;
use App\Listing\VisibleItems;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\TermType;

/** The terms of a taxonomy as records. */
final class TermRows
{
    /**
     * @param  list<string>  $counted  keys of the types whose items count; empty: all
     * @return Builder<Item> every term with its place in the tree, and the number of items that have it or one below it
     */
    public static function of(Taxonomy $taxonomy, Context $context, array $counted = []): Builder
    {
        $above = $below = $order = [];
        foreach ($taxonomy->terms->asTree() as ['term' => $term]) {
            $order[] = $term->slug;
            foreach ($taxonomy->terms->withBelow($term->slug) as $slug) {
                $above[] = $term->slug;
                $below[] = $slug;
            }
        }
        $type = TermType::key($taxonomy->key);
        $seen = VisibleItems::of($counted, $context)->toBase()->select('items.id');
        $query = DB::query()->selectRaw(<<<'SQL'
            listed.id, ?::text as type_key, listed.slug, listed.name as title, nullif(listed.description, '') as text,
                listed.folded, listed.created_at as publish_at, false as lead,
            listed.fields || jsonb_strip_nulls(jsonb_build_object('picture', listed.picture, 'colour', listed.colour,
                'count', coalesce(counted.items, 0), 'place', placed.place)) as fields
            SQL, [$type])
            ->fromRaw(
                'terms listed join unnest(?::text[]) with ordinality as placed(slug, place) on placed.slug = '
                    .'listed.slug',
                [PostgresArray::literal($order)],
            )
            ->leftJoinSub(
                DB::query()->selectRaw('pair.above, count(distinct item_term.item_id) as items')
                    ->fromRaw(
                        'unnest(?::text[], ?::text[]) as pair(above, below) join terms on terms.slug = pair.below and '
                            .'terms.taxonomy_key = ? join item_term on item_term.term_id = terms.id',
                        [PostgresArray::literal($above), PostgresArray::literal($below), $taxonomy->key],
                    )
                    ->whereRaw("item_term.item_id in ({$seen->toSql()})", $seen->getBindings())
                    ->groupBy('pair.above'),
                'counted', 'counted.above', '=', 'listed.slug',
            )
            ->where('listed.taxonomy_key', $taxonomy->key);

        return RecordRows::named($query);
    }
}
