<?php

declare(strict_types=1);

namespace App\Search;

use App\Listing\Compile\Test\SearchSql;
use App\Models\Item;
use App\Models\Term;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\SearchTerm;

/** Finds items and terms by a few words, for the command box. */
final readonly class Finder
{
    /** @return Collection<int, Item> those with the words in their title first; the last word may be but begun */
    public function items(string $words, User $who, int $most): Collection
    {
        $text = rtrim($words, '*').'*';
        $found = SearchSql::found(SearchTerm::all($text, null));
        $inTitle = SearchSql::found(SearchTerm::all($text, ['title' => 1]));

        return Item::query()->whereRaw($found->sql, $found->bindings)
            ->when(! $who->isManager(), fn ($query) => $query->where('author_id', $who->id))
            ->orderByRaw("({$inTitle->sql}) desc", $inTitle->bindings)
            ->orderByRaw('title collate wellspring_text')
            ->limit($most)
            ->get(['id', 'type_key', 'title', 'status']);
    }

    /** @return Collection<int, Term> those whose name holds the words */
    public function terms(string $words, int $most): Collection
    {
        return Term::query()
            ->whereRaw("folded->>'title' like ?", ['%'.addcslashes(Fold::of($words), '%_\\').'%'])
            ->orderByRaw('name collate wellspring_text')
            ->limit($most)
            ->get(['id', 'name', 'taxonomy_key']);
    }
}
