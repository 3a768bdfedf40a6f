<?php

declare(strict_types=1);

namespace App\Media;

use App\Database\PostgresArray;
use App\Models\Item;
use App\Models\Module;
use App\Models\Page;
use App\Models\SiteDefinition;
use App\Models\Term;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * The uses of files: in items and terms, in their fields and texts, and in the definitions of modules, pages and the
 * site.
 */
final readonly class MediaUse
{
    /**
     * @param  list<string>  $names
     * @param  User|null  $who  authors see the titles of their own items only; null: everything
     * @return array<string, list<array{title: string, link: string|null}>> by name; links lead to the manage screens
     */
    public function of(array $names, ?User $who = null): array
    {
        $uses = array_fill_keys($names, []);
        if ($names === []) {
            return $uses;
        }
        $isManager = $who === null || $who->isManager();
        foreach ([
            ...$this->items($names, $isManager ? null : $who),
            ...$this->terms($names, $isManager),
            ...$this->definitions($names, $isManager),
        ] as [$used, $use]) {
            foreach ($names as $name) {
                if (array_intersect(StoredFile::variants($name), $used) !== []) {
                    $uses[$name][] = $use;
                }
            }
        }

        return $uses;
    }

    /**
     * @param  list<string>  $names
     * @param  User|null  $author  sees the titles of their own items only
     * @return iterable<array{list<string>, array{title: string, link: string|null}}> each with the names it uses
     */
    private function items(array $names, ?User $author): iterable
    {
        foreach (self::using(Item::query(), $names)->get([
            'id', 'type_key', 'title', 'author_id', 'media_names',
        ]) as $item) {
            yield [$item->media_names, $author === null || $item->author_id === $author->id
                ? ['title' => $item->title, 'link' => "/content/{$item->type_key}/{$item->id}"]
                : ['title' => 'someone else’s item', 'link' => null]];
        }
    }

    /**
     * @param  list<string>  $names
     * @return iterable<array{list<string>, array{title: string, link: string|null}}>
     */
    private function terms(array $names, bool $isManager): iterable
    {
        foreach (self::using(Term::query(), $names)->get() as $term) {
            yield [$term->media_names, [
                'title' => $term->name,
                'link' => $isManager ? "/terms/{$term->taxonomy_key}?term={$term->id}" : null,
            ]];
        }
    }

    /**
     * @param  list<string>  $names
     * @return iterable<array{list<string>, array{title: string, link: string|null}}>
     */
    private function definitions(array $names, bool $isManager): iterable
    {
        foreach ([
            ['modules', 'a module', self::using(Module::query()->whereNull('removed_at'), $names)->get()],
            ['pages', 'a page', self::using(Page::query()->whereNull('removed_at'), $names)->get()],
        ] as [$screen, $kind, $rows]) {
            foreach ($rows as $row) {
                $title = $row->draft['name'] ?? $row->draft['title'] ?? null;
                yield [$row->media_names, $isManager
                    ? ['title' => is_string($title) ? $title : $row->key, 'link' => "/{$screen}/{$row->key}"]
                    : ['title' => $kind, 'link' => null]];
            }
        }
        foreach (self::using(SiteDefinition::query(), $names)->get() as $row) {
            yield [$row->media_names, [
                'title' => 'the site’s '.($row->kind === $row->key ? $row->kind : "{$row->kind} “{$row->key}”"),
                'link' => null,
            ]];
        }
    }

    /**
     * @template R of Model
     *
     * @param  Builder<R>  $rows
     * @param  list<string>  $names
     * @return Builder<R> those that use a file of the names
     */
    private static function using(Builder $rows, array $names): Builder
    {
        $variants = array_merge(...array_map(StoredFile::variants(...), $names));

        return $rows->whereRaw('media_names && ?::text[]', [PostgresArray::literal($variants)])->orderBy('id');
    }
}
