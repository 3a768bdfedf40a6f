<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\CatalogueStore;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;

/** Writes the terms and links of many items in a few statements. */
final readonly class ItemRelations
{
    /** Maximum number of rows in one statement, which can have 65,535 values. */
    private const ROWS = 5000;

    public function __construct(private CatalogueStore $catalogue, private ItemReferences $references)
    {
    }

    /**
     * Corrects the copies of items' terms in `items`, if they differ from the terms themselves.
     *
     * @return int how many items were corrected
     */
    public static function mend(): int
    {
        return DB::update(<<<'SQL'
            update items set term_ids = has.ids
            from (
                select items.id, coalesce(array_agg(item_term.term_id order by item_term.term_id) filter
                    (where item_term.term_id is not null), '{}') as ids
                from items left join item_term on item_term.item_id = items.id group by items.id
            ) as has
            where items.id = has.id and items.term_ids <> has.ids
            SQL);
    }

    /** @return list<int> ids of the terms that the draft names, in their own order */
    public function terms(ItemDraft $draft): array
    {
        $ids = array_merge(
            ...array_map($this->catalogue->termIds(...), array_keys($draft->terms), array_values($draft->terms)),
        );
        sort($ids);

        return $ids;
    }

    /**
     * The same for existing items, which also keep their terms in taxonomies that the draft does not know.
     *
     * @param  list<Item>  $items
     * @param  list<ItemDraft>  $drafts  one for each item
     * @return list<list<int>>
     */
    public function termsOfAll(array $items, array $drafts): array
    {
        $has = [];
        foreach (DB::table('item_term')
            ->join('terms', 'terms.id', '=', 'item_term.term_id')
            ->whereIn('item_id', array_column($items, 'id'))
            ->get(['item_id', 'term_id', 'taxonomy_key']) as $row) {
            $has[(int) $row->item_id][(string) $row->taxonomy_key][] = (int) $row->term_id;
        }

        return array_map(function (Item $item, ItemDraft $draft) use ($has): array {
            $others = array_diff_key($has[$item->id] ?? [], $draft->terms);
            $ids = array_merge($this->terms($draft), ...array_values($others));
            sort($ids);

            return $ids;
        }, $items, $drafts);
    }

    /**
     * Writes those of new items.
     *
     * @param  array<int, array{Item, ItemDraft}>  $made  with `term_ids`
     */
    public function add(Type $type, array $made): void
    {
        $terms = $links = [];
        foreach ($made as [$item, $draft]) {
            foreach ($item->term_ids as $term) {
                $terms[] = ['term_id' => $term, 'item_id' => $item->id];
            }
            array_push($links, ...$this->links($item, $type, $draft));
        }
        foreach (array_chunk($terms, self::ROWS) as $rows) {
            DB::table('item_term')->insert($rows);
        }
        $this->insertLinks($links);
    }

    /**
     * Writes those of existing items.
     *
     * @param  array<int, array{Item, ItemDraft}>  $written  with the new `term_ids`
     */
    public function replace(Type $type, array $written): void
    {
        $terms = array_map(fn (array $one): array => ['item' => $one[0]->id, 'terms' => $one[0]->term_ids], $written);
        // One statement, so that the trigger that computes an item's terms sees the new state.
        DB::statement(<<<'SQL'
            with wanted as (
                select item, terms from jsonb_to_recordset(?::jsonb) as wanted(item bigint, terms bigint[])
            ), gone as (
                delete from item_term using wanted where item_term.item_id = wanted.item
                    and item_term.term_id <> all (wanted.terms)
            )
            insert into item_term (item_id, term_id)
                select item, term from wanted, unnest(terms) as term order by item, term on conflict do nothing
            SQL, [json_encode(array_values($terms), JSON_THROW_ON_ERROR)]);

        $columns = ['item_id', 'field', 'position', 'target_id', 'person_id'];
        $links = [];
        foreach (DB::table('item_links')
            ->whereIn('item_id', array_column($terms, 'item'))
            ->orderBy('field')
            ->orderBy('position')
            ->get($columns) as $link) {
            $links[(int) $link->item_id][] = (array) $link;
        }
        $changed = $new = [];
        foreach ($written as [$item, $draft]) {
            $wanted = collect($this->links($item, $type, $draft))->sortBy([['field', 'asc'], ['position', 'asc']]);
            if ($wanted->values()->all() != ($links[$item->id] ?? [])) {
                $changed[] = $item->id;
                array_push($new, ...$wanted);
            }
        }
        $changed === [] || DB::table('item_links')->whereIn('item_id', $changed)->delete();
        $this->insertLinks($new);
    }

    /** @param  list<array<string, mixed>>  $links */
    private function insertLinks(array $links): void
    {
        foreach (array_chunk($links, self::ROWS) as $rows) {
            DB::table('item_links')->insert($rows);
        }
    }

    /** @return list<array<string, mixed>> rows of the links from the item */
    private function links(Item $item, Type $type, ItemDraft $draft): array
    {
        $rows = [];
        foreach ($type->fields as $key => $field) {
            foreach ($field->family()->isLink() ? (array) ($draft->fields[$key] ?? []) : [] as $position => $name) {
                $name = is_string($name) ? $name : '';
                $to = $field->family() === Family::Person
                    ? ['target_id' => null, 'person_id' => $this->references->personId($name)]
                    : ['target_id' => $this->references->targetId($name), 'person_id' => null];
                // Items that the import still has to create are linked after it.
                if ($to !== ['target_id' => null, 'person_id' => null]) {
                    $rows[] = ['item_id' => $item->id, 'field' => $key, 'position' => $position] + $to;
                }
            }
        }

        return $rows;
    }
}
