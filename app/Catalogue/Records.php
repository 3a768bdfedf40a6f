<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\People;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Who\Audience;

/** Makes records for rules from stored items. */
final class Records
{
    /**
     * @param  list<int>  $ids  items of any type
     * @param  array<array-key, Field>  $fields  the fields to read besides their own columns
     * @return list<Record> as the viewer sees them, in the order of the ids
     */
    public static function byId(array $ids, array $fields, Context $context): array
    {
        $asked = fn (\Closure $of): bool => array_filter($fields, $of) !== [];
        $isLink = fn (Field $field): bool => $field->family()->isLink() && $field->origin === Origin::Type;
        $isAuthor = fn (Field $field): bool => $field->key === 'author';
        $with = [
            ...$asked(fn (Field $field): bool => $field->family() === Family::Terms) ? ['terms'] : [],
            ...$asked(fn (Field $field): bool => $isLink($field->through ?? $field)) ? Item::shownLinks() : [],
            ...$asked(fn (Field $field): bool => $isAuthor($field->through ?? $field))
                ? ['author:id,name,email,slug,active']
                : [],
        ];
        $items = Item::query()->with($with)->findMany($ids, Item::RECORD_COLUMNS)->keyBy('id');
        $targets = $asked(fn (Field $field): bool => $field->through?->family() === Family::Items)
            ? self::targets(...$items->values()->all())
            : [];
        $views = $asked(fn (Field $field): bool => $field->key === 'views') ? self::views($ids) : null;
        $records = [];
        foreach ($ids as $id) {
            $item = $items->get($id);
            if ($item !== null) {
                foreach (['terms', 'links'] as $relation) {
                    if (! $item->relationLoaded($relation)) {
                        $item->setRelation($relation, new Collection);
                    }
                }
                $record = self::of($item, $targets)->seenThrough($context->visibility());
                $records[] = $views === null ? $record : $record->with(['views' => $views[$id] ?? 0]);
            }
        }

        return $records;
    }

    /** With everything that a rule can read: linked records, words, views, positions by hand. */
    public static function complete(Item $item): Record
    {
        $item->loadMissing(Item::whole());
        $views = [];
        foreach (DB::table('item_views')->where('item_id', $item->id)->get(['day', 'views']) as $row) {
            $views[(string) $row->day] = (int) $row->views;
        }
        $places = $item->position === null ? [] : ['' => $item->position];
        foreach (DB::table('item_term')->join(
            'terms',
            'terms.id',
            '=',
            'item_term.term_id',
        )->where('item_id', $item->id)->whereNotNull('item_term.position')->get([
            'taxonomy_key',
            'slug',
            'item_term.position',
        ]) as $row) {
            $places["{$row->taxonomy_key}/{$row->slug}"] = (int) $row->position;
        }

        return self::of($item, self::targets($item))->withRelations(self::words($item), $views, $places);
    }

    /**
     * @param  list<int>  $ids  of items
     * @return array<int, int> how often each was viewed, by id
     */
    private static function views(array $ids): array
    {
        $views = [];
        $rows = DB::table('item_views')->whereIn('item_id', $ids)->groupBy('item_id');
        foreach ($rows->selectRaw('item_id, sum(views) as views')->get() as $row) {
            $views[(int) $row->item_id] = (int) $row->views;
        }

        return $views;
    }

    /** @return array<int, Item> what the items link to, with its terms, by id */
    private static function targets(Item ...$items): array
    {
        $targets = [];
        $ids = array_merge(...array_map(fn (Item $item): array => $item->links->pluck('target_id')->all(), $items));
        foreach (Item::query()->with('terms')->whereKey(array_values(array_filter($ids)))->get() as $target) {
            $targets[$target->id] = $target;
        }

        return $targets;
    }

    /**
     * @return array<string, array<string, string>> of its texts, and of the names of its terms and of those above them
     */
    private static function words(Item $item): array
    {
        $words = array_map(fn (mixed $texts): array => array_filter((array) $texts, is_string(...)), $item->words);
        $terms = DB::select(<<<'SQL'
            with recursive above(id) as (
                select term_id from item_term where item_id = ?
                union select terms.parent_id from terms join above on terms.id = above.id where terms.parent_id is not
                    null
            ) select taxonomy_key, string_agg(words, ' ' order by terms.id) as words from terms join above on above.id =
                terms.id group by taxonomy_key
            SQL, [$item->id]);
        foreach ($terms as $row) {
            $words['B'][(string) $row->taxonomy_key] = (string) $row->words;
        }

        return $words;
    }

    /** A person as a record; nobody can see a closed account. */
    public static function person(User $user): Record
    {
        return new Record(
            $user->id, People::KEY, (string) $user->slug, $user->name, $user->active
                ? Status::Published
                : Status::Draft, '0001-01-01T00:00:00Z', null, Audience::everyone(),
            ['name' => $user->name, 'email' => $user->email] + (
                $user->relationLoaded('groups') ? ['groups' => $user->groups->pluck('key')->all()] : []
            ),
        );
    }

    /**
     * @param  array<int, Item>  $targets  the fully loaded linked items, by id; others have only the properties that
     *   links show
     */
    public static function of(Item $item, array $targets = []): Record
    {
        $terms = [];
        foreach ($item->terms as $term) {
            $terms[$term->taxonomy_key][] = $term->slug;
        }
        $linked = self::linked($item, $targets);
        $names = array_map(
            fn (array $others): array => array_map(fn (Record $other): string => $other->name(), $others),
            $linked,
        );
        foreach ($item->links as $link) {
            if ($link->person !== null) {
                $names[$link->field] = $link->person->email;
            }
        }
        $author = $item->relationLoaded('author') ? $item->author : null;

        return new Record(
            id: $item->id,
            type: $item->type_key,
            slug: $item->slug,
            title: $item->title,
            status: Status::from($item->status),
            publishAt: self::instant($item, 'publish_at'),
            expireAt: self::instant($item, 'expire_at'),
            audience: Audience::of($item->audience),
            values: [
                'text' => $item->text,
                'lead' => $item->lead,
                'created_at' => self::instant($item, 'created_at'),
                'updated_at' => self::instant($item, 'updated_at'),
                'author' => $author?->email,
            ] + $item->fields + $terms + $names,
            linked: $linked + ($author === null ? [] : ['author' => [self::person($author)]]),
        );
    }

    /**
     * The item's values by column, in the form that ItemReader takes; null if empty.
     *
     * @return array<string, mixed>
     */
    public static function values(Item $item, Type $type): array
    {
        $record = self::of($item);
        $values = [
            'slug' => $item->slug,
            'status' => $item->status,
            'audience' => $item->audience,
            'author' => $item->author?->email,
            'lead' => $item->lead,
        ];
        $others = ['created_at' => true, 'updated_at' => true] + Type::madeFields();
        foreach (array_diff_key($type->reachable, $others) as $key => $field) {
            $values[$key] ??= $record->value($field);
        }

        return $values;
    }

    /**
     * @param  array<int, Item>  $targets
     * @return array<string, list<Record>> what the item's fields link to, seen by whomever, by field
     */
    private static function linked(Item $item, array $targets): array
    {
        $linked = [];
        foreach ($item->links as $link) {
            if ($link->person !== null) {
                $linked[$link->field][] = self::person($link->person);
            } elseif ($link->target !== null) {
                $whole = $targets[$link->target->id] ?? null;
                $linked[$link->field][] = $whole === null
                    ? self::named($link->target)
                    : self::of($whole->setRelation('links', new Collection));
            }
        }

        return $linked;
    }

    /** The properties of a linked item that links show, and its audience. */
    public static function named(Item $item): Record
    {
        return new Record(
            $item->id, $item->type_key, $item->slug, $item->title, Status::from($item->status),
            self::instant($item, 'publish_at'), self::instant($item, 'expire_at'), Audience::of($item->audience), [],
        );
    }

    /**
     * The stored form of core. PostgreSQL's UTC form is converted without a calendar, because a page has many instants.
     */
    private static function instant(Item $item, string $column): ?string
    {
        $stored = $item->getAttributes()[$column] ?? null;
        if (is_string($stored) && preg_match('/^(\d{4}-\d\d-\d\d) (\d\d:\d\d:\d\d)\+00$/D', $stored, $parts) === 1) {
            return "{$parts[1]}T{$parts[2]}Z";
        }
        $at = $item->getAttribute($column);

        return $at instanceof \DateTimeInterface ? Iso8601::format($at) : null;
    }
}
