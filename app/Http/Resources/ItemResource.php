<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Catalogue\PeopleNames;
use App\Catalogue\Records;
use App\Content\ItemDrafts;
use App\Content\ItemQuery;
use App\Listing\ContextFactory;
use App\Models\Item;
use App\Models\Media;
use App\Models\User;
use App\Site\SitePages;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Time\Iso8601;

/**
 * Items as the manage screens are given them: values by column, with the files, items and people that they name.
 *
 * @phpstan-import-type MediaShape from Media
 *
 * @phpstan-type ValuesShape JsonMap<mixed>
 * @phpstan-type LinkedShape array{name: string, title: string}
 * @phpstan-type ItemDraftShape array{values: ValuesShape, revision: int|null, keptAt: string}
 * @phpstan-type ItemShape array{
 *     id: int, type: string, revision: int, title: string, status: 'draft'|'published', values: ValuesShape,
 *     files: JsonMap<MediaShape>, linked: JsonMap<list<LinkedShape>>, authorName: string|null, updatedAt: string,
 *     address: string, draft: ItemDraftShape|null,
 * }
 */
final readonly class ItemResource
{
    public function __construct(
        private PeopleNames $people,
        private ItemDrafts $drafts,
        private ContextFactory $contexts,
    ) {
    }

    /** @return ItemShape without a draft */
    public function whole(Item $item, Type $type, User $who): array
    {
        return $this->all([$item->load(Item::whole())], $type, $who)[0];
    }

    /** @return ItemDraftShape|null of a new item, where none is named */
    public function draft(User $who, Type $type, ?Item $item): ?array
    {
        $draft = $this->drafts->of($who, $type->key, $item);

        return $draft === null ? null : [...$draft, 'values' => new JsonMap($draft['values'])];
    }

    /**
     * Without their long texts, without drafts.
     *
     * @param  Builder<Item>  $query
     * @return list<ItemShape>
     */
    public function rows(Builder $query, Type $type, User $who): array
    {
        return $this->all(ItemQuery::withoutLongTexts($query, $type)->with(Item::whole())->get(), $type, $who);
    }

    /**
     * @param  iterable<Item>  $items
     * @return list<ItemShape>
     */
    private function all(iterable $items, Type $type, User $who): array
    {
        $files = $this->files($items, $type);
        $all = [];
        foreach ($items as $item) {
            $record = Records::of($item);
            $named = [];
            foreach ($type->fields as $key => $field) {
                if ($field->family()->isMedia()) {
                    $named += array_flip(array_filter((array) $record->value($field), is_string(...)));
                }
            }
            $all[] = [
                'id' => $item->id,
                'type' => $item->type_key,
                'revision' => $item->revision,
                'title' => $item->title,
                'status' => $item->status,
                'values' => new JsonMap($this->people->shownTo($who, $type, Records::values($item, $type))),
                'files' => new JsonMap(array_intersect_key($files, $named)),
                'linked' => new JsonMap($this->linked($item, $who)),
                'authorName' => $item->author?->name,
                'updatedAt' => Iso8601::format($item->updated_at),
                'address' => SitePages::itemAddress($type, $item->slug),
                'draft' => null,
            ];
        }

        return $all;
    }

    /**
     * What the item links to. Authors read titles only of what visitors may see, and of their own.
     *
     * @return array<string, list<LinkedShape>> by field
     */
    private function linked(Item $item, User $who): array
    {
        $context = $this->contexts->now();
        $linked = [];
        foreach ($item->links as $link) {
            $target = $link->target;
            if ($link->person !== null) {
                $linked[$link->field][] = [
                    'name' => PeopleNames::nameFor($who, $link->person->email, $link->person->slug),
                    'title' => $link->person->name,
                ];
            } elseif ($target !== null) {
                $mayRead = $who->isManager()
                    || $target->author_id === $who->id
                    || $context->admits(Records::named($target));
                $linked[$link->field][] = [
                    'name' => "{$target->type_key}/{$target->slug}",
                    'title' => $mayRead ? $target->title : $target->slug,
                ];
            }
        }

        return $linked;
    }

    /**
     * @param  iterable<Item>  $items
     * @return array<string, MediaShape> by name
     */
    private function files(iterable $items, Type $type): array
    {
        $fields = array_filter($type->fields, fn ($field): bool => $field->family()->isMedia());
        $names = [];
        foreach ($items as $item) {
            foreach (array_intersect_key($item->fields, $fields) as $value) {
                array_push($names, ...array_values(array_filter((array) $value, is_string(...))));
            }
        }
        $files = [];
        foreach ($names === [] ? [] : Media::query()->whereIn('name', array_unique($names))->get() as $media) {
            $files[$media->name] = $media->about();
        }

        return $files;
    }
}
