<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\Records;
use App\Models\Item;
use App\Models\Media;
use App\Site\PageMaker;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Type;

/** Items as the manage screens are given them: values by column, with the files, items and people that they name. */
final readonly class ItemShape
{
    /** @return array<string, mixed> */
    public function whole(Item $item, Type $type): array
    {
        return $this->all([$item->load(Item::whole())], $type)[0];
    }

    /**
     * Without their long texts.
     *
     * @param  Builder<Item>  $query
     * @return list<array<string, mixed>>
     */
    public function rows(Builder $query, Type $type): array
    {
        $long = array_keys(array_filter($type->fields, fn ($field): bool => $field->family() === Family::LongText));
        $columns = ['id', 'type_key', 'slug', 'title', 'status', 'publish_at', 'expire_at', 'audience', 'author_id', 'lead', 'revision', 'created_at', 'updated_at'];
        $query->getQuery()->select(array_map(fn (string $column): string => "items.{$column}", $columns))
            ->selectRaw('null as text')->selectRaw('items.fields - ?::text[] as fields', ['{'.implode(',', $long).'}']);

        return $this->all($query->with(Item::whole())->get(), $type);
    }

    /**
     * @param  iterable<Item>  $items
     * @return list<array<string, mixed>>
     */
    private function all(iterable $items, Type $type): array
    {
        $files = $this->files($items, $type);
        $all = [];
        foreach ($items as $item) {
            $record = Records::of($item);
            $names = [];
            foreach ($item->links as $link) {
                $names[$link->field][] = ['name' => $link->person !== null ? $link->person->email : "{$link->target?->type_key}/{$link->target?->slug}", 'title' => $link->person->name ?? $link->target->title ?? ''];
            }
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
                'values' => (object) Records::values($item, $type),
                'files' => (object) array_intersect_key($files, $named),
                'linked' => (object) $names,
                'authorName' => $item->author?->name,
                'updatedAt' => Instant::write($item->updated_at),
                'address' => PageMaker::itemAddress($type, $item->slug),
            ];
        }

        return $all;
    }

    /**
     * @param  iterable<Item>  $items
     * @return array<string, array<string, mixed>> by name
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
            $files[$media->name] = self::file($media);
        }

        return $files;
    }

    /** @return array<string, mixed> */
    public static function file(Media $media): array
    {
        return [
            'id' => $media->id,
            'name' => $media->name,
            'kind' => $media->kind,
            'title' => $media->title,
            'url' => $media->url(),
            'small' => $media->smallUrl(),
            'width' => $media->width,
            'height' => $media->height,
            'bytes' => $media->bytes,
            'alt' => $media->alt,
            'focus' => [$media->focus_x, $media->focus_y],
        ];
    }
}
