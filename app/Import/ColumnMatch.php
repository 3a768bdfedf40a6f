<?php

declare(strict_types=1);

namespace App\Import;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Text\Fold;

/** Matches the headings of a file with a type's columns: as in the last import, otherwise by their words. */
final class ColumnMatch
{
    /** Words for the columns of every item. Common practice, no source. */
    private const WORDS = [
        'title' => ['name', 'heading', 'headline'],
        'text' => ['description', 'body', 'content'],
        'publish_at' => ['date', 'published', 'published at', 'publish date', 'published on'],
        'expire_at' => ['expires', 'expiry', 'until', 'expiry date'],
        'status' => ['state'],
        'author' => ['by', 'written by', 'author email'],
    ];

    /**
     * @param  list<string>  $headings
     * @return array<string, string|null> by heading; each column once
     */
    public static function guess(Type $type, array $headings): array
    {
        $reader = new ItemReader($type);
        $remembered = DB::table('column_matches')->where('type_key', $type->key)->pluck('column', 'heading');
        $words = [];
        // Keys come first, then labels of the type, then words for the columns of every item.
        $own = [...array_keys($type->fields), ...array_keys($type->taxonomies)];
        $columns = [...array_map(strval(...), $own), ...array_values(array_diff($reader->columns(), $own))];
        foreach ([
            fn (string $column): array => [$column],
            fn (string $column): array => [$reader->field($column)->label ?? ''],
            fn (string $column): array => self::WORDS[$column] ?? [],
        ] as $wordsOf) {
            foreach ($columns as $column) {
                foreach ($wordsOf($column) as $word) {
                    $words[self::bare($word)] ??= $column;
                }
            }
        }
        foreach ($type->fields as $field) {
            if ($field->family() === Family::Picture) {
                foreach (['image', 'photo', 'photograph', 'picture'] as $word) {
                    $words[$word] ??= $field->key;
                }
            }
        }
        foreach ($type->taxonomies as $taxonomy) {
            foreach (['category', 'categories'] as $word) {
                $words[$word] ??= $taxonomy->key;
            }
        }
        // A table of tools may call its first column “Tool”, and a table of sheds “Shed”.
        foreach ([$type->label, $type->plural] as $word) {
            $words[self::bare($word)] ??= 'title';
        }
        foreach ($type->taxonomies as $taxonomy) {
            $words[rtrim(self::bare($taxonomy->label), 's')] ??= $taxonomy->key;
        }
        $matched = [];
        foreach ($headings as $heading) {
            $column = $remembered[self::bare($heading)] ?? $words[self::bare($heading)] ?? null;
            $column = $column === '' ? null : $column;
            $known = is_string($column)
                && in_array($column, $reader->columns(), true)
                && ! in_array($column, $matched, true);
            $matched[$heading] = $known ? $column : null;
        }

        return $matched;
    }

    /** @param  array<string, string|null>  $columns  by heading */
    public static function remember(Type $type, array $columns): void
    {
        $rows = [];
        foreach ($columns as $heading => $column) {
            $rows[self::bare((string) $heading)] = [
                'type_key' => $type->key,
                'heading' => self::bare((string) $heading),
                'column' => $column ?? '',
            ];
        }
        DB::table('column_matches')->upsert(array_values($rows), ['type_key', 'heading'], ['column']);
    }

    private static function bare(string $words): string
    {
        return trim(preg_replace('/[^\p{L}\p{N}]+/u', ' ', Fold::of(mb_scrub($words))) ?? '');
    }
}
