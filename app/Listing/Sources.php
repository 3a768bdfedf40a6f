<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\Records;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Taxonomy;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Time\Period;
use Wellspring\Core\Who\Audience;

/**
 * The candidates of every kind of source as one query each. What is not an item takes an item's columns, so that
 * conditions and orders speak of it alike: id, type_key, slug, title, text, fields, folded.
 */
final readonly class Sources
{
    /** @return Builder<Item> named `items` */
    public function candidates(Source\Source $source, Context $context): Builder
    {
        return match (true) {
            $source instanceof Source\Items => $this->items($source->typeKeys(), $context),
            $source instanceof Source\OneItem => $this->items($source->typeKeys(), $context)->where(
                'items.slug',
                $source->slug,
            ),
            $source instanceof Source\PageItem => $this->items($source->typeKeys(), $context)->where(
                'items.id',
                $context->page->item?->id,
            ),
            $source instanceof Source\TaxonomyTerms => $this->terms($source, $context),
            $source instanceof Source\PageTerm => $this->pageTerm($source, $context),
            $source instanceof Source\People => $this->people($source, $context),
            $source instanceof Source\Archive => $this->stretches($source, $context),
            default => throw new \LogicException('No query is known for '.$source::class.'.'),
        };
    }

    /**
     * Every record of the kind, whether the source takes it or not: items in any state, terms that no item has,
     * accounts that are closed. Nobody but a manager who asks why is told of them.
     *
     * @return Builder<Item> named `items`
     */
    public function allOfKind(Source\Source $source, Context $context): Builder
    {
        return match (true) {
            $source->isItems() => Item::query(),
            $source instanceof Source\TaxonomyTerms => $this->allTerms($source->taxonomy, $context),
            $source instanceof Source\PageTerm => $this->allTerms(
                $source->taxonomy($context) ?? array_values($source->taxonomies)[0],
                $context,
            ),
            $source instanceof Source\People => $this->accounts($context),
            default => $this->candidates($source, $context),
        };
    }

    /** One of the kind by its slug, whether the source takes it or not; null where there is none. Not for items. */
    public function record(Source\Source $source, string $slug, Context $context): ?Record
    {
        $row = $this->allOfKind($source, $context)->toBase()->where('items.slug', $slug)->first();
        if ($row !== null) {
            return self::made($row);
        }

        return $source instanceof Source\Archive
            && Period::days($slug) !== null
            && strlen($slug) === $source->length()
            ? $source->record($slug, 0, $context)
            : null;
    }

    /**
     * @param  list<int>  $ids
     * @param  array<array-key, Field>  $fields  what is asked of them
     * @return list<Record> in the order of the ids
     */
    public function records(Source\Source $source, array $ids, array $fields, Context $context): array
    {
        if ($source->isItems()) {
            return Records::byId($ids, $fields, $context);
        }
        $rows = $ids === [] ? [] : $this->candidates($source, $context)
            ->toBase()
            ->whereIn('items.id', $ids)
            ->get()
            ->keyBy('id')
            ->all();

        return array_values(
            array_map(
                fn (int $id): Record => self::made($rows[$id]),
                array_filter($ids, fn (int $id): bool => isset($rows[$id])),
            ),
        );
    }

    /** A record of what is not an item: there from the beginning and for everyone, unless its account is closed. */
    private static function made(object $row): Record
    {
        $row = (array) $row;
        $values = json_decode((string) $row['fields'], true);

        return new Record(
            (int) $row['id'],
            (string) $row['type_key'],
            (string) $row['slug'],
            (string) $row['title'],
            ($row['active'] ?? true) === true ? Status::Published : Status::Draft,
            '0001-01-01T00:00:00Z',
            null,
            Audience::Everyone,
            ['text' => $row['text']] + (is_array($values) ? $values : []),
        );
    }

    /**
     * @param  list<string>  $types  keys; none: of every type
     * @return Builder<Item> the items that the viewer may see at that moment
     */
    public function items(array $types, Context $context): Builder
    {
        $query = Item::query();
        if (count($types) === 1) {
            $query->where('items.type_key', $types[0]);
        } elseif ($types !== []) {
            $query->whereIn('items.type_key', $types);
        }
        $admitted = Visibility::ofItem($context);

        return $query->whereRaw($admitted->sql, $admitted->bindings);
    }

    /** @return Builder<Item> */
    private function terms(Source\TaxonomyTerms $source, Context $context): Builder
    {
        $query = $this->allTerms($source->taxonomy, $context);
        if ($source->among() !== null) {
            $query->whereIn('items.slug', $source->among());
        }
        if ($source->used) {
            $query->whereRaw("(items.fields->>'count')::int > 0");
        }

        return $query;
    }

    /** @return Builder<Item> */
    private function pageTerm(Source\PageTerm $source, Context $context): Builder
    {
        $taxonomy = $source->taxonomy($context);

        return $taxonomy === null
            ? $this->allTerms(array_values($source->taxonomies)[0], $context)->whereRaw('false')
            : $this->allTerms($taxonomy, $context)->where('items.slug', $context->page->term['slug'] ?? null);
    }

    /**
     * @return Builder<Item> every term with its place in the tree, and the number of items that have it or one below it
     */
    private function allTerms(Taxonomy $taxonomy, Context $context): Builder
    {
        $above = $below = $order = [];
        foreach ($taxonomy->terms->asTree() as ['term' => $term]) {
            $order[] = $term->slug;
            foreach ($taxonomy->terms->withBelow($term->slug) as $slug) {
                $above[] = $term->slug;
                $below[] = $slug;
            }
        }
        $type = (new Source\TaxonomyTerms($taxonomy))->type()->key;
        $seen = $this->items([], $context)->toBase()->select('items.id');
        $query = DB::query()->selectRaw(<<<'SQL'
            listed.id, ?::text as type_key, listed.slug, listed.name as title, nullif(listed.description, '') as text, listed.folded, listed.created_at as publish_at, false as lead,
            listed.fields || jsonb_strip_nulls(jsonb_build_object('picture', listed.picture, 'colour', listed.colour, 'count', coalesce(counted.items, 0), 'place', placed.place)) as fields
            SQL, [$type])
            ->fromRaw(
                'terms listed join unnest(?::text[]) with ordinality as placed(slug, place) on placed.slug = listed.slug',
                [Fragment::arrayLiteral($order)],
            )
            ->leftJoinSub(
                DB::query()->selectRaw('pair.above, count(distinct item_term.item_id) as items')
                    ->fromRaw(
                        'unnest(?::text[], ?::text[]) as pair(above, below) join terms on terms.slug = pair.below and terms.taxonomy_key = ? join item_term on item_term.term_id = terms.id',
                        [Fragment::arrayLiteral($above), Fragment::arrayLiteral($below), $taxonomy->key],
                    )
                    ->whereRaw("item_term.item_id in ({$seen->toSql()})", $seen->getBindings())
                    ->groupBy('pair.above'),
                'counted', 'counted.above', '=', 'listed.slug',
            )
            ->where('listed.taxonomy_key', $taxonomy->key);

        return self::named($query);
    }

    /** @return Builder<Item> */
    private function people(Source\People $source, Context $context): Builder
    {
        $people = $this->accounts($context)->whereRaw(Visibility::ofPerson('items'));

        return $source->groups === []
            ? $people
            : $people->whereRaw(
                "jsonb_exists_any(items.fields->'groups', ?::text[])",
                [Fragment::arrayLiteral(array_map(strval(...), array_keys($source->groups)))],
            );
    }

    /** @return Builder<Item> every account, closed ones too */
    private function accounts(Context $context): Builder
    {
        $query = DB::query()->selectRaw(<<<'SQL'
            listed.id, 'people' as type_key, listed.slug, listed.name as title, null::text as text, jsonb_build_object('title', listed.folded, 'slug', listed.slug) as folded, listed.created_at as publish_at, false as lead, listed.active,
            jsonb_strip_nulls(jsonb_build_object('groups', belongs.groups, 'count', coalesce(written.items, 0))) as fields
            SQL)
            ->fromRaw(
                'users listed left join lateral (select jsonb_agg(groups.key order by groups.key) as groups from group_user join groups on groups.id = group_user.group_id where group_user.user_id = listed.id) as belongs on true',
            )
            ->leftJoinSub(
                $this->items([], $context)
                    ->toBase()
                    ->selectRaw('items.author_id, count(*) as items')
                    ->groupBy('items.author_id'),
                'written',
                'written.author_id',
                '=',
                'listed.id',
            );

        return self::named($query);
    }

    /** @return Builder<Item> */
    private function stretches(Source\Archive $source, Context $context): Builder
    {
        $raw = FieldSql::raw($source->by);
        [$day, $bindings] = $source->by->family() === Family::Date
            ? [$raw, []]
            : ["to_char({$raw}::timestamptz at time zone ?, 'YYYY-MM-DD')", [$context->calendar->zone->getName()]];
        $held = $this->items($source->typeKeys(), $context)->toBase()
            ->selectRaw("left({$day}, {$source->length()}) as stretch, count(*) as items", $bindings)
            ->whereRaw("{$raw} is not null")->groupByRaw('1');
        // Named here, as core names them; there are few of them, however many items they hold.
        $counts = array_map(intval(...), $held->pluck('items', 'stretch')->all());
        $slugs = array_map(strval(...), array_keys($counts));
        $titles = array_map($context->calendar->named(...), $slugs);
        $query = DB::query()->selectRaw(<<<'SQL'
            replace(held.stretch, '-', '')::bigint as id, ?::text as type_key, held.stretch as slug, held.title, null::text as text,
            jsonb_build_object('title', held.folded, 'slug', held.stretch) as folded, null::timestamptz as publish_at, false as lead,
            jsonb_build_object('begins', rpad(held.stretch, 10, '-01'), 'count', held.items) as fields
            SQL, [$source->type()->key])
            ->fromRaw(
                'unnest(?::text[], ?::text[], ?::text[], ?::int[]) as held(stretch, title, folded, items)',
                array_map(
                    Fragment::arrayLiteral(...),
                    [$slugs, $titles, array_map(Fold::of(...), $titles), array_values($counts)],
                ),
            );

        return self::named($query);
    }

    /** @return Builder<Item> */
    private static function named(Query $query): Builder
    {
        $items = Item::query();
        $items->fromSub($query, 'items');

        return $items;
    }
}
