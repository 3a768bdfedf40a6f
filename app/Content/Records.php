<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Source\People;
use Wellspring\Core\Who\Audience;

/** Makes of stored items the records that the rules speak of. */
final class Records
{
    /**
     * @param  list<int>  $ids  items of any type
     * @param  array<array-key, Field>  $fields  what is asked of them beside their own columns
     * @return list<Record> in the order of the ids
     */
    public static function byId(array $ids, array $fields): array
    {
        $asked = fn (\Closure $of): bool => array_filter($fields, $of) !== [];
        $with = [
            ...$asked(fn (Field $field): bool => $field->family() === Family::Terms) ? ['terms'] : [],
            ...$asked(fn (Field $field): bool => $field->family()->isLink() && $field->origin === Origin::Type) ? Item::shownLinks() : [],
            ...$asked(fn (Field $field): bool => $field->key === 'author') ? ['author:id,name,email'] : [],
        ];
        $items = Item::query()->with($with)->findMany($ids)->keyBy('id');
        $records = [];
        foreach ($ids as $id) {
            $item = $items->get($id);
            if ($item !== null) {
                foreach (['terms', 'links'] as $relation) {
                    if (! $item->relationLoaded($relation)) {
                        $item->setRelation($relation, new Collection);
                    }
                }
                $records[] = self::of($item);
            }
        }

        return $records;
    }

    /** With all that any rule can ask of it: what it links to, its words, its views, where it was placed by hand. */
    public static function complete(Item $item): Record
    {
        $item->loadMissing(Item::whole());
        $targets = Item::query()->with('terms')->findMany($item->links->pluck('target_id')->filter()->all())->keyBy('id');
        $linked = $item->author === null ? [] : ['author' => [self::person($item->author)]];
        foreach ($item->links as $link) {
            $target = $targets->get($link->target_id ?? 0);
            if ($target !== null) {
                $linked[$link->field][] = self::of($target->setRelation('links', new Collection));
            } elseif ($link->person !== null) {
                $linked[$link->field][] = self::person($link->person);
            }
        }
        $views = [];
        foreach (DB::table('item_views')->where('item_id', $item->id)->get(['day', 'views']) as $row) {
            $views[(string) $row->day] = (int) $row->views;
        }
        $places = $item->position === null ? [] : ['' => $item->position];
        foreach (DB::table('item_term')->join('terms', 'terms.id', '=', 'item_term.term_id')->where('item_id', $item->id)->whereNotNull('item_term.position')->get(['taxonomy_key', 'slug', 'item_term.position']) as $row) {
            $places["{$row->taxonomy_key}/{$row->slug}"] = (int) $row->position;
        }

        return self::of($item)->beside($linked, self::words($item), $views, $places);
    }

    /** @return array<string, array<string, string>> of its texts, and of the names of its terms and of those above them */
    private static function words(Item $item): array
    {
        $words = array_map(fn (mixed $texts): array => array_filter((array) $texts, is_string(...)), $item->words);
        $terms = DB::select(<<<'SQL'
            with recursive above(id) as (
                select term_id from item_term where item_id = ?
                union select terms.parent_id from terms join above on terms.id = above.id where terms.parent_id is not null
            ) select taxonomy_key, string_agg(words, ' ' order by terms.id) as words from terms join above on above.id = terms.id group by taxonomy_key
            SQL, [$item->id]);
        foreach ($terms as $row) {
            $words['B'][(string) $row->taxonomy_key] = (string) $row->words;
        }

        return $words;
    }

    /** A person as rules speak of them; one whose account is closed is seen by nobody. */
    public static function person(User $user): Record
    {
        return new Record(
            $user->id, People::KEY, (string) $user->slug, $user->name, $user->active ? Status::Published : Status::Draft, '0001-01-01T00:00:00Z', null, Audience::Everyone,
            ['name' => $user->name, 'email' => $user->email] + ($user->relationLoaded('groups') ? ['groups' => $user->groups->pluck('key')->all()] : []),
        );
    }

    public static function of(Item $item): Record
    {
        $terms = [];
        foreach ($item->terms as $term) {
            $terms[$term->taxonomy_key][] = $term->slug;
        }
        [$links, $names] = self::links($item);
        $author = $item->relationLoaded('author') ? $item->author : null;

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
                'author' => $author?->email,
            ] + $item->fields + $terms + $links,
            names: $names + ($author === null ? [] : ['author' => [$author->email => $author->name]]),
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
            if (! in_array($key, ['created_at', 'updated_at', ...array_keys(Type::madeFields())], true)) {
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
