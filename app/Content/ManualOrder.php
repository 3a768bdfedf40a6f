<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use App\Models\Term;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Type;

/** The manager's own order of items, within a type or within a term. Items never placed come after, newest first. */
final readonly class ManualOrder
{
    /**
     * @param  list<int>  $ids  the items that are placed, first to last; all others lose their place
     */
    public function place(Type $type, ?Term $term, array $ids): void
    {
        DB::transaction(function () use ($type, $term, $ids): void {
            $places = '{'.implode(',', $ids).'}';
            if ($term === null) {
                DB::update(
                    'update items set position = array_position(?::bigint[], id) where type_key = ? and position is '
                        .'distinct from array_position(?::bigint[], id)',
                    [$places, $type->key, $places],
                );
            } else {
                DB::update(
                    'update item_term set position = array_position(?::bigint[], item_id) where term_id = ? and '
                        .'position is distinct from array_position(?::bigint[], item_id)',
                    [$places, $term->id, $places],
                );
            }
        });
    }

    /**
     * @param  int  $most  how many of those that were never placed are given beside the placed ones
     * @return list<array{id: int, title: string, placed: bool}>
     */
    public function list(Type $type, ?Term $term, int $most): array
    {
        $query = Item::query()->where('type_key', $type->key);
        $at = 'items.position';
        if ($term !== null) {
            $query->join('item_term', 'item_term.item_id', '=', 'items.id')->where('item_term.term_id', $term->id);
            $at = 'item_term.position';
        }
        $rows = $query->toBase()->select(['items.id', 'items.title'])->selectRaw("{$at} as place")
            ->orderByRaw("{$at} nulls last, items.publish_at desc nulls last, items.id")->limit($most)->get();

        return array_values(
            $rows->map(
                fn (object $row): array => [
                    'id' => (int) $row->id,
                    'title' => (string) $row->title,
                    'placed' => $row->place !== null,
                ],
            )->all(),
        );
    }
}
