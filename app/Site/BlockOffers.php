<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\CatalogueStore;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Page\Offer\OfferedModule;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\RecordsOf;

/** Collects from the site what blocks need to decide whether they can be added and how they begin. */
final readonly class BlockOffers
{
    public function __construct(
        private CatalogueStore $catalogue,
        private ModuleStore $modules,
    ) {
    }

    /**
     * @param  array<array-key, mixed>|null  $about  as in a page's definition; null for a page about nothing and for
     *   the frame
     *
     * @throws Refused where `about` cannot be read
     */
    public function site(?array $about): BlockSite
    {
        $catalogue = $this->catalogue->catalogue();
        $problems = new Problems;
        $read = $about === null ? null : PageAbout::read(new Shape($about, 'about', $problems), $catalogue, $problems);
        $problems->refuseIfAny();

        return new BlockSite(
            $read,
            array_values($catalogue->types),
            array_map($this->module(...), array_values($this->modules->all()->loadMissing('pages')->all())),
        );
    }

    private function module(ModuleRow $row): OfferedModule
    {
        try {
            $module = $this->modules->reader()->salvage($row->draft)->module;
        } catch (Refused) {
            $module = null;
        }

        return new OfferedModule(
            $row->key,
            $module !== null && $module->source->recordsOf() === RecordsOf::Items ? $module->source->typeKeys() : [],
            ($module->offer->filters ?? []) !== [],
            array_values($row->pages->map(fn (Page $page): string => $page->address)->all()),
        );
    }
}
