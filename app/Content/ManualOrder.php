<?php

declare(strict_types=1);

namespace App\Content;

use App\Database\PostgresArray;
use App\Models\Item;
use App\Models\Media;
use App\Models\Term;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Type;

/**
 * The manager's own order of items, within a type or within a term. Items without a position come last, newest first.
 */
final readonly class ManualOrder
{
    /**
     * @param  list<int>  $ids  the items with a position, in order; all others lose theirs
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public function place(Type $type, ?Term $term, array $ids, ?int $revision = null): void
    {
        DB::transaction(function () use ($type, $term, $ids, $revision): void {
            DB::select(
                "select pg_advisory_xact_lock(hashtext('wellspring.by-hand'), hashtext(?))",
                ["{$type->key} {$term?->id}"],
            );
            StaleWrite::unless($this->revision($type, $term), $revision);
            [$set, $within, $key] = $term === null
                ? ['update items set position = array_position(?::bigint[], id)', 'type_key = ?', $type->key]
                : [
                    'update item_term set position = array_position(?::bigint[], item_id)',
                    'term_id = ?',
                    $term->id,
                ];
            $id = $term === null ? 'id' : 'item_id';
            $places = PostgresArray::literal($ids);
            DB::update(
                "{$set} where {$within} and position is distinct from array_position(?::bigint[], {$id})",
                [$places, $key, $places],
            );
        });
    }

    /** A checksum of the ids, which changes with the items or their order. */
    public function revision(Type $type, ?Term $term): int
    {
        $placed = $this->items($type, $term)->whereNotNull(self::position($term))->orderBy(self::position($term));

        return crc32($placed->pluck('items.id')->implode(',')) & 0x7FFFFFFF;
    }

    /**
     * @param  int  $most  maximum number of items without a position in the answer
     * @return list<array{id: int, title: string, placed: bool, picture: string|null}> the address of the item's first
     *   picture in a small size
     */
    public function list(Type $type, ?Term $term, int $most): array
    {
        $at = self::position($term);
        $rows = $this->items($type, $term)->select(['items.id', 'items.title'])
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

    private function items(Type $type, ?Term $term): Builder
    {
        $query = Item::query()->where('type_key', $type->key)->toBase();

        return $term === null
            ? $query
            : $query->join('item_term', 'item_term.item_id', '=', 'items.id')->where('item_term.term_id', $term->id);
    }

    /** The column with the position of an item. */
    private static function position(?Term $term): string
    {
        return $term === null ? 'items.position' : 'item_term.position';
    }

    /**
     * Keys of fields contain only small letters, digits and _, so they are safe in SQL.
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
