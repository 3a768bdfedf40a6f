<?php

declare(strict_types=1);

namespace App\Search;

use App\Catalogue\CatalogueStore;
use App\Freshness\Dependencies;
use App\Listing\Compile\Test\SearchSql;
use App\Listing\VisibleItems;
use App\Models\Item;
use App\Modules\ModuleStore;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use App\Site\Listings\VisitorListings;
use App\Site\SitePages;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Words;

/** The site's search: a listing of all or some types, with a built-in module. */
final readonly class SiteSearch
{
    public const KEY = 'search';

    private const SIZE = 10;

    /** Minimum similarity of a suggested word, from 0 to 1 (pg_trgm; tested with misspelt plant names). */
    private const ALIKE = 0.35;

    private const MOST_SUGGESTED = 8;

    public function __construct(
        private ModuleStore $modules,
        private VisitorListings $listings,
        private CatalogueStore $catalogue,
    ) {
    }

    /** @return list<string> keys of the types that can be searched */
    public function types(): array
    {
        return array_map(strval(...), array_keys($this->catalogue->catalogue()->types));
    }

    /**
     * @param  Context  $context  with the words as choice `q`
     * @param  non-empty-list<string>  $types  keys
     *
     * @throws NoSuchPage
     */
    public function run(array $types, PageAddress $address, Context $context, string $page): VisitorListing
    {
        $module = $this->modules->read([
            'format' => 1, 'key' => self::KEY, 'name' => 'Found', 'source' => ['items' => $types],
            'where' => ['all' => [[
                'field' => 'words',
                'test' => 'search',
                'value' => ['from' => 'address', 'name' => 'q'],
                'whenMissing' => 'keepNone',
            ]]],
            'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'title']],
            'page' => ['mode' => 'numbered', 'size' => self::SIZE],
            'arrange' => ['as' => 'list'],
            'card' => ['lines' => [['parts' => [['part' => 'title'], ['part' => 'field', 'field' => 'text']]]]],
        ]);

        return $this->listings->showAlone($module, $address, $context, $page, new Dependencies);
    }

    /** @return array<string, int> how many of each type are found, those of which none is left out; by key */
    public function counts(string $words, Context $context): array
    {
        $found = SearchSql::found(SearchTerm::all($words, null));
        $rows = VisibleItems::of([], $context)->toBase()
            ->whereRaw($found->sql, $found->bindings)
            ->selectRaw('type_key, count(*) as records')
            ->groupBy('type_key')
            ->pluck('records', 'type_key');
        $counts = [];
        foreach ($this->types() as $type) {
            if (is_numeric($rows[$type] ?? null)) {
                $counts[$type] = (int) $rows[$type];
            }
        }

        return $counts;
    }

    /**
     * Items whose titles contain the words; the last word may be incomplete.
     *
     * @return list<array{title: string, address: string, kind: string}>
     */
    public function suggestions(string $words, Context $context): array
    {
        $terms = SearchTerm::all(rtrim($words, '*').'*', ['title' => 1]);
        if ($terms === []) {
            return [];
        }
        $found = SearchSql::found($terms);
        $types = $this->catalogue->catalogue()->types;
        $rows = VisibleItems::of([], $context)
            ->whereRaw($found->sql, $found->bindings)
            ->orderByRaw("starts_with(folded->>'title', ?) desc", [Fold::of($words)])
            ->orderByRaw('title collate wellspring_text')
            ->limit(self::MOST_SUGGESTED)
            ->get(['id', 'type_key', 'title', 'slug']);

        return array_values($rows->filter(fn (Item $item): bool => isset($types[$item->type_key]))->map(
            fn (Item $item): array => [
                'title' => $item->title,
                'address' => SitePages::itemAddress($types[$item->type_key], $item->slug),
                'kind' => $types[$item->type_key]->label,
            ],
        )->all());
    }

    /**
     * The words with those without results replaced by the most similar words in titles.
     *
     * @return string|null null where nothing near is found either
     */
    public function nearest(string $words, Context $context): ?string
    {
        $near = [];
        $isOther = false;
        foreach (Words::ofQuery($words) as $word) {
            $found = SearchSql::found(SearchTerm::all($word, null));
            if (VisibleItems::of([], $context)->whereRaw($found->sql, $found->bindings)->exists()) {
                $near[] = $word;
            } else {
                $alike = $this->alike(rtrim($word, '*'), $context);
                if ($alike === null) {
                    return null;
                }
                $near[] = $alike;
                $isOther = true;
            }
        }
        $text = implode(' ', $near);

        return $isOther && $this->counts($text, $context) !== [] ? $text : null;
    }

    /** The most similar word in a title; null if none is similar enough. */
    private function alike(string $word, Context $context): ?string
    {
        $titles = VisibleItems::of([], $context)->toBase()
            ->whereRaw("? <% (folded->>'title')", [$word])
            ->orderByRaw("word_similarity(?, folded->>'title') desc", [$word])
            ->limit(20)
            ->selectRaw("folded->>'title' as title");
        $query = DB::query()->fromSub($titles, 'titles')
            ->crossJoin(DB::raw("regexp_split_to_table(titles.title, '[^[:alnum:]]+') as one(word)"))
            ->whereRaw('length(one.word) > 2')
            ->orderByRaw('similarity(one.word, ?) desc, one.word', [$word])
            ->selectRaw('one.word, similarity(one.word, ?) as alike', [$word])
            ->limit(1);
        $found = DB::transaction(function () use ($query): ?object {
            // Titles contain other words as well, so the words of similar titles are compared one by one.
            DB::statement("select set_config('pg_trgm.word_similarity_threshold', ?, true)", [(string) self::ALIKE]);

            return $query->first();
        });

        return $found !== null && (float) $found->alike >= self::ALIKE ? (string) $found->word : null;
    }
}
