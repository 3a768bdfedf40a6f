<?php

declare(strict_types=1);

namespace App\Pages;

use App\Catalogue\RenamedRows;
use App\Catalogue\StoredDefinitions;
use App\Catalogue\UseOfField;
use App\Models\Page;
use App\Models\SiteDefinition;
use Illuminate\Database\Eloquent\Collection;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** The definitions of pages and menus, for code that changes types and terms. */
final readonly class PageDefinitions implements StoredDefinitions
{
    public function rename(Renaming $renaming, Catalogue $before): array
    {
        $pages = Page::query()->whereRaw("jsonb_exists(draft, 'about') or jsonb_exists(live, 'about')")->orderBy('id');

        return RenamedRows::replace(
            [...$pages->lockForUpdate()->get(), ...self::menus()],
            fn (Page|SiteDefinition $row, array $definition): array => self::renamed(
                $row,
                $definition,
                $renaming,
                $before,
            ),
            fn (Page|SiteDefinition $row): array => ['of' => $row->getTable(), 'id' => $row->id],
        );
    }

    public function restore(array $replaced): void
    {
        foreach ($replaced as $was) {
            RenamedRows::putBack(match ($was['of'] ?? null) {
                'pages' => Page::query()->where('id', $was['id'])->first(),
                'site_definitions' => SiteDefinition::query()->where('id', $was['id'])->first(),
                default => null,
            }, $was);
        }
    }

    public function unreadable(Renaming $renaming, Catalogue $before, Catalogue $after): array
    {
        $problems = [];
        foreach ($this->live() as $page) {
            $definition = $page->live ?? [];
            try {
                (new PageReader($before))->read($definition);
            } catch (Refused) {
                continue;
            }
            try {
                (new PageReader($after))->read(self::renamed($page, $definition, $renaming, $before));
            } catch (Refused $refused) {
                $problems[] = UseOfField::problem(
                    'The page',
                    $page->title,
                    "/pages/{$page->key}",
                    $refused,
                    (new PageReader($before))->read($definition)->references($before),
                );
            }
        }

        return $problems;
    }

    public function drawingFromType(string $type): array
    {
        return $this->about(['item', 'month', 'year'], $type, 'is about its items.');
    }

    public function aboutBranch(string $taxonomy, string $term): array
    {
        $problems = [];
        foreach ($this->live() as $page) {
            $about = $page->live['about'] ?? [];
            if (is_array($about) && ($about['term'] ?? null) === $taxonomy && ($about['under'] ?? null) === $term) {
                $problems[] = new Problem(
                    '',
                    ProblemCode::InUse,
                    "The page “{$page->title}” is about it and the terms below it. Change it first.",
                    ['link' => "/pages/{$page->key}"],
                );
            }
        }

        return $problems;
    }

    public function takingTermsOf(string $taxonomy): array
    {
        return $this->about(['term'], $taxonomy, 'is about its terms.');
    }

    /**
     * @param  list<string>  $kinds  of the pages' records
     * @return list<Problem> for each live page about it
     */
    private function about(array $kinds, string $name, string $words): array
    {
        $problems = [];
        foreach ($this->live() as $page) {
            foreach ($kinds as $kind) {
                if (in_array($name, (array) ($page->live['about'][$kind] ?? []), true)) {
                    $message = "The page “{$page->title}” {$words} Change it first.";
                    $problems[] = new Problem('', ProblemCode::InUse, $message, [
                        'link' => "/pages/{$page->key}",
                    ]);
                }
            }
        }

        return $problems;
    }

    /** @return Collection<int, Page> live pages that are about something: others name neither fields nor terms */
    private function live(): Collection
    {
        return Page::query()->whereNotNull('live')->whereNull('removed_at')->whereRaw("jsonb_exists(live, 'about')")
            ->orderBy('key')->get();
    }

    /** @return Collection<int, SiteDefinition> */
    private static function menus(): Collection
    {
        return SiteDefinition::query()->where('kind', SiteDefinitionStore::MENU)->orderBy('id')->lockForUpdate()->get();
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @return array<array-key, mixed> unchanged where it cannot be read
     */
    private static function renamed(
        Page|SiteDefinition $row,
        array $definition,
        Renaming $renaming,
        Catalogue $before,
    ): array {
        try {
            return $renaming->in($definition, $row instanceof Page
                ? (new PageReader($before))->read($definition)->references($before)
                : (new MenuReader($before))->read($definition)->references());
        } catch (Refused) {
            return $definition;
        }
    }
}
