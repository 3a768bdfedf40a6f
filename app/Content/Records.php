<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use Illuminate\Database\Eloquent\Collection;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Who\Audience;

/** Makes of stored items the records that the rules speak of. */
final class Records
{
    /**
     * @param  list<int>  $ids
     * @return list<Record> in the order of the ids
     */
    public static function byId(array $ids, Type $type): array
    {
        $links = array_filter($type->fields, fn (Field $field): bool => $field->family()->isLink()) !== [];
        $items = Item::query()->with($links ? Item::shown() : ['terms'])->findMany($ids)->keyBy('id');
        $records = [];
        foreach ($ids as $id) {
            $item = $items->get($id);
            if ($item !== null) {
                $records[] = self::of($links ? $item : $item->setRelation('links', new Collection));
            }
        }

        return $records;
    }

    public static function of(Item $item): Record
    {
        $terms = [];
        foreach ($item->terms as $term) {
            $terms[$term->taxonomy_key][] = $term->slug;
        }
        [$links, $names] = self::links($item);

        return new Record(
            id: $item->id,
            type: $item->type_key,
            slug: $item->slug,
            title: $item->title,
            status: Status::from($item->status),
            publishAt: self::instant($item->publish_at),
            expireAt: self::instant($item->expire_at),
            audience: Audience::from($item->audience),
            values: [
                'text' => $item->text,
                'lead' => $item->lead,
                'created_at' => self::instant($item->created_at),
                'updated_at' => self::instant($item->updated_at),
            ] + $item->fields + $terms + $links,
            names: $names,
        );
    }

    /**
     * What the item has, by column, as ItemReader takes it; null where it is empty.
     *
     * @return array<string, mixed>
     */
    public static function values(Item $item, Type $type): array
    {
        $record = self::of($item);
        $values = ['slug' => $item->slug, 'status' => $item->status, 'audience' => $item->audience, 'author' => $item->author?->email, 'lead' => $item->lead];
        foreach ($type->reachable as $key => $field) {
            if (! in_array($key, ['created_at', 'updated_at'], true)) {
                $values[$key] ??= $record->value($field);
            }
        }

        return $values;
    }

    /** @return array{array<string, list<string>|string>, array<string, array<string, string>>} values by field, and what they are called */
    private static function links(Item $item): array
    {
        $values = $names = [];
        foreach ($item->links as $link) {
            if ($link->person !== null) {
                $values[$link->field] = $link->person->email;
                $names[$link->field][$link->person->email] = $link->person->name;
            } elseif ($link->target !== null) {
                $name = "{$link->target->type_key}/{$link->target->slug}";
                $values[$link->field][] = $name;
                if ($link->target->isPublic()) {
                    $names[$link->field][$name] = $link->target->title;
                }
            }
        }

        return [$values, $names];
    }

    private static function instant(?\DateTimeInterface $at): ?string
    {
        return $at === null ? null : Instant::write($at);
    }
}
