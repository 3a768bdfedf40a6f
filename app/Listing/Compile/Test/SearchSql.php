<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Database\PostgresArray;
use App\Listing\Compile\Fragment;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Search;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Words;

/** @implements TestSql<Search> */
final class SearchSql implements TestSql
{
    public function test(): string
    {
        return Search::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        return self::found(Search::terms($condition), $of);
    }

    /**
     * True if all words are found.
     *
     * @param  list<SearchTerm>  $sought
     */
    public static function found(array $sought, string $of = 'items'): Fragment
    {
        $found = $plain = [];
        foreach ($sought as $word) {
            $terms = $word->in === null ? self::terms($word, null) : [];
            if ($word->in === null && $terms === []) {
                $plain[] = self::query($word, '');
            } else {
                $found[] = $word->in === null
                    ? self::either(self::inTexts($word, '', $of), $terms, $of)
                    : self::in($word, array_keys($word->in), $of);
            }
        }
        if ($plain !== []) {
            // Words that are searched in texts only are combined into one query.
            array_unshift(
                $found,
                new Fragment("{$of}.search @@ to_tsquery('wellspring', ?)", [implode(' & ', $plain)]),
            );
        }

        return Fragment::all($found);
    }

    /** The weight of the word: the greatest of all places that contain it; 0 if no place does. */
    public static function weight(SearchTerm $word): Fragment
    {
        $cases = $bindings = [];
        foreach (self::byWeight($word) as $weight => $found) {
            $cases[] = "when {$found->sql} then {$weight}";
            array_push($bindings, ...$found->bindings);
        }

        return new Fragment('case '.implode(' ', $cases).' else 0 end', $bindings);
    }

    /** @return array<int, Fragment> true where the word is found in a place of that weight; the weightiest first */
    private static function byWeight(SearchTerm $word): array
    {
        $levels = [];
        if ($word->in === null) {
            foreach (Words::WEIGHTS as $standing => $weight) {
                $texts = self::inTexts($word, $standing, 'items');
                $levels[$weight] = $standing === 'B' ? self::either($texts, self::terms($word, null), 'items') : $texts;
            }

            return $levels;
        }
        foreach (array_unique($word->in) as $weight) {
            $levels[$weight] = self::in($word, array_keys($word->in, $weight, true), 'items');
        }
        krsort($levels);

        return $levels;
    }

    /** In any text, or only in texts of one weight. */
    private static function inTexts(SearchTerm $word, string $standing, string $of): Fragment
    {
        return new Fragment("{$of}.search @@ to_tsquery('wellspring', ?)", [self::query($word, $standing)]);
    }

    /**
     * In one of the fields. Except for the title, the index first finds the items that contain the word anywhere; the
     * fields are compared afterwards.
     *
     * @param  list<string>  $fields
     */
    private static function in(SearchTerm $word, array $fields, string $of): Fragment
    {
        // Only the title has its weight, so the index alone finds it.
        $places = in_array('title', $fields, true) ? [self::inTexts($word, 'A', $of)] : [];
        $others = array_values(array_diff($fields, ['title']));
        if ($others !== []) {
            $places[] = Fragment::all([self::inTexts($word, '', $of), new Fragment(
                "to_tsvector('wellspring', (select coalesce(jsonb_agg(texts.words), '[]') from "
                    ."jsonb_each({$of}.words) as standing, jsonb_each(standing.value) as texts(field, words) where "
                        ."texts.field = any(?::text[]))) @@ to_tsquery('wellspring', ?)",
                [PostgresArray::literal($others), self::query($word, '')],
            )]);
        }

        return self::either(Fragment::any($places), self::terms($word, $fields), $of);
    }

    /** @param  list<int>  $terms  ids */
    private static function either(Fragment $texts, array $terms, string $of): Fragment
    {
        return $terms === [] ? $texts : Fragment::any([$texts, Fragment::hasTerm($terms, $of)]);
    }

    /**
     * The terms whose names contain the word, and all below them.
     *
     * @param  list<string>|null  $taxonomies  keys; null: all taxonomies
     * @return list<int> ids
     */
    private static function terms(SearchTerm $word, ?array $taxonomies): array
    {
        $found = DB::scalar(<<<'SQL'
            with recursive named(id) as (
                select id from terms where to_tsvector('wellspring', words) @@ to_tsquery('wellspring', ?) and
                    (?::text[] is null or taxonomy_key = any(?::text[]))
                union select terms.id from terms join named on terms.parent_id = named.id
            ) select array_to_json(array_agg(id order by id)) from named
            SQL, [
            self::query($word, ''),
            ...array_fill(0, 2, $taxonomies === null ? null : PostgresArray::literal($taxonomies)),
        ]);

        $ids = is_string($found) ? json_decode($found) : [];

        return is_array($ids) ? array_values(array_filter($ids, is_int(...))) : [];
    }

    /** @param  string  $standing  a key of Words::WEIGHTS, or '' for all */
    private static function query(SearchTerm $word, string $standing): string
    {
        $options = (str_ends_with($word->word, '*') ? '*' : '').$standing;

        return "'".str_replace("'", "''", rtrim($word->word, '*'))."'".($options === '' ? '' : ":{$options}");
    }
}
