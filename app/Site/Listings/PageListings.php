<?php

declare(strict_types=1);

namespace App\Site\Listings;

use App\Freshness\Dependencies;
use App\Freshness\ReadMarks;
use App\Site\Address\PageAddress;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Paging\NoSuchPage;

/** The listings of one page. Each module runs once, however often it is placed. */
final class PageListings
{
    /** @var array<string, VisitorListing> by module key */
    private array $run = [];

    /** @var array<string, int> how often each module was placed so far, by key */
    private array $placed = [];

    /**
     * @param  array<string, BoundModule>  $modules  of the page and its frame, by key
     * @param  array<string, string>  $asked  the requested page number by module key, as written in the address
     * @param  Dependencies  $dependencies  records what the listings are made of
     * @param  ReadMarks  $marks  of the modules
     * @param  ListingPreview|null  $preview  shown in place of the module with its key
     */
    public function __construct(
        private readonly VisitorListings $listings,
        public readonly array $modules,
        private readonly PageAddress $address,
        private readonly Context $context,
        private readonly array $asked,
        private readonly Dependencies $dependencies,
        private readonly ReadMarks $marks,
        private readonly ?ListingPreview $preview = null,
    ) {
    }

    /**
     * The listing of a module; null if the module does not show on the page.
     *
     * @throws NoSuchPage
     */
    public function of(string $key): ?VisitorListing
    {
        return isset($this->modules[$key]) ? $this->run($this->modules[$key]) : null;
    }

    /**
     * The listing of a module at its next place on the page.
     *
     * @throws NoSuchPage
     */
    public function placed(BoundModule $module, ModuleBlock $block): VisitorListing
    {
        $this->placed[$module->key] = ($this->placed[$module->key] ?? 0) + 1;

        return $this->run($module)->standing(
            $block->heading ?? $module->name,
            $this->placed[$module->key],
            $block->level ?? ModuleBlock::LEVEL,
        );
    }

    private function run(BoundModule $module): VisitorListing
    {
        return $this->run[$module->key] ??= $module->key === $this->preview?->module->key
            ? $this->listings->of(
                $module,
                $this->address,
                $this->context,
                $this->preview->result,
                $this->preview->facets,
            )
            : $this->listings->show(
                $module,
                $this->address,
                $this->context,
                $this->asked[$module->key] ?? '1',
                $this->dependencies,
                $this->marks,
            );
    }
}
