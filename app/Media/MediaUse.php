<?php

declare(strict_types=1);

namespace App\Media;

use App\Models\Item;
use App\Models\Term;
use App\Models\User;

/** Where files are used: in items’ fields, in their texts, and by terms. */
final readonly class MediaUse
{
    /**
     * @param  list<string>  $names
     * @param  User|null  $who  authors read the titles of their own items only; null: everything is told
     * @return array<string, list<array{title: string, link: string|null}>> by name; links lead to the manage screens
     */
    public function of(array $names, ?User $who = null): array
    {
        $uses = array_fill_keys($names, []);
        $isManager = $who === null || $who->isManager();
        $list = '{'.implode(',', array_map(fn (string $name): string => '"'.addcslashes($name, '"\\').'"', $names)).'}';
        foreach ($names === [] ? [] : Item::query()->whereRaw('media_names && ?::text[]', [$list])->orderBy('id')->get([
            'id', 'type_key', 'title', 'author_id', 'media_names',
        ]) as $item) {
            $mayRead = $isManager || $item->author_id === $who->id;
            foreach (array_intersect($names, $item->media_names) as $name) {
                $uses[$name][] = $mayRead
                    ? ['title' => $item->title, 'link' => "/content/{$item->type_key}/{$item->id}"]
                    : ['title' => 'someone else’s item', 'link' => null];
            }
        }
        foreach ($names === [] ? [] : Term::query()->whereIn('picture', $names)->orderBy('id')->get() as $term) {
            $uses[$term->picture][] = [
                'title' => $term->name,
                'link' => $isManager ? "/terms/{$term->taxonomy_key}?term={$term->id}" : null,
            ];
        }

        return $uses;
    }
}
