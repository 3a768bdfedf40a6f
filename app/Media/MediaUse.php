<?php

declare(strict_types=1);

namespace App\Media;

use App\Content\CatalogueStore;
use App\Models\Item;
use App\Models\Term;
use Wellspring\Core\Content\Family;

/** Where files are used: in items’ fields, in their texts, and by terms. */
final readonly class MediaUse
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  list<string>  $names
     * @return array<string, list<array{title: string, link: string}>> by name; links lead to the manage screens
     */
    public function of(array $names): array
    {
        $uses = array_fill_keys($names, []);
        $array = '{'.implode(',', $names).'}';
        $inText = '('.implode('|', array_map(fn (string $name): string => preg_quote($name), $names)).')';
        foreach ($names === [] ? [] : $this->catalogue->catalogue()->types as $type) {
            $asks = ['items.text ~ ?'];
            $bindings = ["/media/(w[0-9]+/)?{$inText}"];
            foreach ($type->fields as $key => $field) {
                if ($field->family() === Family::Pictures) {
                    $asks[] = "jsonb_exists_any(items.fields->'{$key}', ?::text[])";
                    $bindings[] = $array;
                } elseif ($field->family()->isMedia()) {
                    $asks[] = "items.fields->>'{$key}' = any(?::text[])";
                    $bindings[] = $array;
                }
            }
            $query = Item::query()->where('type_key', $type->key)->whereRaw('('.implode(' or ', $asks).')', $bindings);
            foreach ($query->get(['id', 'type_key', 'title', 'text', 'fields']) as $item) {
                foreach ($names as $name) {
                    if (str_contains((string) $item->text, $name) || str_contains((string) json_encode($item->fields), '"'.$name.'"')) {
                        $uses[$name][] = ['title' => $item->title, 'link' => "/content/{$type->key}/{$item->id}"];
                    }
                }
            }
        }
        foreach (Term::query()->whereIn('picture', $names)->get() as $term) {
            $uses[$term->picture][] = ['title' => $term->name, 'link' => "/terms/{$term->taxonomy_key}?term={$term->id}"];
        }

        return $uses;
    }
}
