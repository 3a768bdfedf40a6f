<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use App\Models\Media;
use App\Models\Term;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
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
     * @return list<array{id: int, title: string, placed: bool, picture: string|null}> the address of the item's first
     *   picture in a small size
     */
    public function list(Type $type, ?Term $term, int $most): array
    {
        $query = Item::query()->where('type_key', $type->key);
        $at = 'items.position';
        if ($term !== null) {
            $query->join('item_term', 'item_term.item_id', '=', 'items.id')->where('item_term.term_id', $term->id);
            $at = 'item_term.position';
        }
        $rows = $query->toBase()->select(['items.id', 'items.title'])
            ->selectRaw("{$at} as place, ".self::firstPicture($type).' as picture')
            ->orderByRaw("{$at} nulls last, items.publish_at desc nulls last, items.id")->limit($most)->get();
        $pictures = Media::query()->whereIn('name', $rows->pluck('picture')->filter())->get()->keyBy('name');

        return array_values(
            $rows->map(
                fn (object $row): array => [
                    'id' => (int) $row->id,
                    'title' => (string) $row->title,
                    'placed' => $row->place !== null,
                    'picture' => $pictures->get($row->picture ?? '')?->smallUrl(),
                ],
            )->all(),
        );
    }

    /**
     * The keys of fields hold small letters, digits and _ only, so they can stand in SQL.
     *
     * @return string SQL for the name of an item's first picture
     */
    private static function firstPicture(Type $type): string
    {
        $names = [];
        foreach ($type->fields as $key => $field) {
            $names = [...$names, ...match ($field->family()) {
                Family::Picture => ["items.fields ->> '{$key}'"],
                Family::Pictures => ["items.fields -> '{$key}' ->> 0"],
                default => [],
            }];
        }

        return $names === [] ? 'null' : 'coalesce('.implode(', ', $names).')';
    }
}
