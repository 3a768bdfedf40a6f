<?php

declare(strict_types=1);

namespace App\Media;

use App\Models\Item;
use App\Models\Module;
use App\Models\Page;
use App\Models\Term;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;

/** Where files are used: in items’ fields, in their texts, by terms, and in the definitions of modules and pages. */
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

        $naming = $names === [] ? [] : [
            'modules' => self::naming(Module::query(), $names),
            'pages' => self::naming(Page::query(), $names),
        ];
        foreach ($naming as $screen => $rows) {
            foreach ($rows as $row) {
                $said = json_encode([$row->draft, $row->live], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
                $title = $row->draft['name'] ?? $row->draft['title'] ?? null;
                $title = is_string($title) ? $title : $row->key;
                foreach ($names as $name) {
                    if (str_contains($said, (string) json_encode($name, JSON_UNESCAPED_SLASHES))) {
                        $uses[$name][] = [
                            'title' => $isManager ? $title : ($screen === 'modules' ? 'a module' : 'a page'),
                            'link' => $isManager ? "/{$screen}/{$row->key}" : null,
                        ];
                    }
                }
            }
        }

        return $uses;
    }

    /**
     * @template R of Module|Page
     *
     * @param  Builder<R>  $rows
     * @param  list<string>  $names
     * @return iterable<R> those whose definitions hold one of the names
     */
    private static function naming(Builder $rows, array $names): iterable
    {
        $text = "(draft::varchar || coalesce(live::varchar, ''))";

        return $rows->whereNull('removed_at')->where(function (Builder $any) use ($names, $text): void {
            foreach ($names as $name) {
                $any->orWhereRaw("position(?::varchar in {$text}) > 0", [json_encode($name, JSON_UNESCAPED_SLASHES)]);
            }
        })->orderBy('id')->get();
    }
}
