<?php

declare(strict_types=1);

namespace App\Pages;

use App\Catalogue\StoredDefinitions;
use App\Modules\ModuleDefinitions;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;

/** All stored definitions that refer to content types, fields, taxonomies and terms: of modules, pages and menus. */
final readonly class AllDefinitions implements StoredDefinitions
{
    /** @var list<StoredDefinitions> */
    private array $all;

    public function __construct(ModuleDefinitions $modules, PageDefinitions $pages)
    {
        $this->all = [$modules, $pages];
    }

    public function rename(Renaming $renaming, Catalogue $before): array
    {
        return $this->each(fn (StoredDefinitions $one): array => $one->rename($renaming, $before));
    }

    public function restore(array $replaced): void
    {
        foreach ($this->all as $one) {
            $one->restore($replaced);
        }
    }

    public function unreadable(Renaming $renaming, Catalogue $before, Catalogue $after): array
    {
        return $this->each(fn (StoredDefinitions $one): array => $one->unreadable($renaming, $before, $after));
    }

    public function drawingFromType(string $type): array
    {
        return $this->each(fn (StoredDefinitions $one): array => $one->drawingFromType($type));
    }

    public function aboutBranch(string $taxonomy, string $term): array
    {
        return $this->each(fn (StoredDefinitions $one): array => $one->aboutBranch($taxonomy, $term));
    }

    public function takingTermsOf(string $taxonomy): array
    {
        return $this->each(fn (StoredDefinitions $one): array => $one->takingTermsOf($taxonomy));
    }

    /**
     * @template T
     *
     * @param  \Closure(StoredDefinitions): list<T>  $ask
     * @return list<T>
     */
    private function each(\Closure $ask): array
    {
        return array_merge(...array_map($ask, $this->all));
    }
}
