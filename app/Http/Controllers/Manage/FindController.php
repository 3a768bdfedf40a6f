<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Http\Requests\FindRequest;
use App\Models\Item;
use App\Models\Page;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use App\Search\Finder;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Words;

/**
 * Finds modules, pages, items and terms by a few words.
 *
 * @phpstan-type FoundShape array{kind: string, title: string, about: string, to: string}
 */
final readonly class FindController
{
    private const EACH = 6;

    public function __construct(
        private ModuleStore $modules,
        private CatalogueStore $catalogue,
        private Finder $finder,
    ) {
    }

    /** @return list<FoundShape> */
    public function __invoke(FindRequest $request): array
    {
        $words = $request->validated('q') ?? '';
        $user = $request->user();
        if (Words::ofQuery($words) === [] || ! $user instanceof User) {
            return [];
        }

        return Gate::allows('manage')
            ? [
                ...$this->modules($words),
                ...$this->pages($words),
                ...$this->items($words, $user),
                ...$this->terms($words),
            ]
            : $this->items($words, $user);
    }

    /** @return list<FoundShape> */
    private function modules(string $words): array
    {
        $found = [];
        foreach ($this->modules->all() as $row) {
            $name = is_string($row->draft['name'] ?? null) ? $row->draft['name'] : $row->key;
            if (self::has("{$name} {$row->key}", $words)) {
                $found[] = ['kind' => 'module', 'title' => $name, 'about' => 'Module', 'to' => "/modules/{$row->key}"];
            }
        }

        return array_slice($found, 0, self::EACH);
    }

    /** @return list<FoundShape> */
    private function pages(string $words): array
    {
        $found = [];
        foreach (Page::query()->whereNull('removed_at')->orderBy('position')->get() as $page) {
            if (self::has("{$page->title} {$page->address}", $words)) {
                $found[] = [
                    'kind' => 'page',
                    'title' => $page->title,
                    'about' => "Page {$page->address}",
                    'to' => "/pages/{$page->key}",
                ];
            }
        }

        return array_slice($found, 0, self::EACH);
    }

    /** @return list<FoundShape> the last word may be but begun */
    private function items(string $words, User $user): array
    {
        $items = $this->finder->items($words, $user, self::EACH * 2);
        $types = $this->catalogue->catalogue()->types;

        return array_values($items->map(fn (Item $item): array => [
            'kind' => 'item', 'title' => $item->title,
            'about' => ($types[$item->type_key]->label ?? $item->type_key).($item->status === 'draft' ? ', draft' : ''),
            'to' => "/content/{$item->type_key}/{$item->id}",
        ])->all());
    }

    /** @return list<FoundShape> */
    private function terms(string $words): array
    {
        $taxonomies = $this->catalogue->catalogue()->taxonomies;

        return array_values($this->finder->terms($words, self::EACH)->map(fn (Term $term): array => [
            'kind' => 'term',
            'title' => $term->name,
            'about' => 'Term of '.($taxonomies[$term->taxonomy_key]->label ?? $term->taxonomy_key),
            'to' => "/terms/{$term->taxonomy_key}",
        ])->all());
    }

    private static function has(string $text, string $words): bool
    {
        return str_contains(Fold::of($text), Fold::of($words));
    }
}
