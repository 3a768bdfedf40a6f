<?php

declare(strict_types=1);

namespace App\Site\Listings;

use App\Catalogue\CatalogueStore;
use App\Freshness\Dependencies;
use App\Listing\Listing;
use App\Listing\ListingWithGaps;
use App\Listing\Sources;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use App\Pages\PageQuery;
use App\Pages\SiteDefinitionStore;
use App\Site\Address\PageFinder;
use App\Site\Address\RecordAddresses;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\AddressOfValues;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Advice;
use Wellspring\Core\Explain\AdviceFacts;
use Wellspring\Core\Explain\Advisor;
use Wellspring\Core\Look\Contrasts;
use Wellspring\Core\Look\LookVariables;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Page\Frame\FrameEntry;
use Wellspring\Core\Page\Frame\FrameSlot;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PlacedBlock;
use Wellspring\Core\Page\Slot;
use Wellspring\Core\Page\SlotWidths;
use Wellspring\Core\Run\StepKind;

/** Looks up the facts for the advice on a module: where it stands, its neighbours, and the targets of its links. */
final readonly class ModuleAdvice
{
    /** The number of records whose link targets are checked. */
    private const TRIED = 3;

    public function __construct(
        private CatalogueStore $catalogue,
        private PageQuery $pages,
        private SiteDefinitionStore $definitions,
        private ModuleStore $modules,
        private PageFinder $finder,
        private RecordAddresses $addresses,
        private Sources $sources,
        private Listing $listing,
    ) {
    }

    /**
     * @param  list<Facet>  $facets  the options of its filters
     * @param  ModuleRow|null  $row  null if the module is not stored yet
     * @return list<Advice>
     */
    public function on(Module $module, ListingWithGaps $run, array $facets, ?ModuleRow $row, Context $context): array
    {
        $pages = $row === null ? [] : $row->pages->all();
        $definitions = array_map(
            fn (object $stored): PageDefinition => $stored->definition,
            $this->pages->stored(array_values($pages), false),
        );
        $look = $this->catalogue->look();
        $passing = 0;
        foreach ($run->result->steps as $step) {
            $passing = $step->name->kind === StepKind::LeaveOut ? $step->left : $passing;
        }

        return Advisor::on($module, new AdviceFacts(
            $run->result->total,
            $passing,
            $run->emptyParts,
            Contrasts::of($look, $look->colours),
            $this->deadLinks($module, $run, $context),
            $this->twins($module, $pages, $context),
            $facets,
            $this->slots($module->key, $definitions),
            LookVariables::space($look),
        ));
    }

    /**
     * @param  list<PageDefinition>  $pages
     * @return array<string, list<float>> widths of the slots where it stands, on pages and in the frame, in px, by
     *   window width
     */
    private function slots(string $key, array $pages): array
    {
        $page = $this->catalogue->look()->number('room', 'page');
        $frame = $this->definitions->live()->frame;
        $hasSide = $frame !== null && $frame->entries(FrameSlot::Side) !== [];
        $widths = [];
        foreach ($pages as $definition) {
            foreach ($definition->bands as $band) {
                $shares = array_map(fn (Slot $slot): int => $slot->share, $band->slots);
                foreach (Width::cases() as $width) {
                    $all = SlotWidths::of(SlotWidths::body($width->window(), $page, $hasSide), $shares);
                    foreach ($band->slots as $n => $slot) {
                        if (self::holds($slot->blocks, $key)) {
                            $widths[$width->value][] = $all[$n];
                        }
                    }
                }
            }
        }
        foreach (FrameSlot::cases() as $slot) {
            $blocks = array_map(
                fn (FrameEntry $entry): PlacedBlock => $entry->placed,
                $frame?->entries($slot) ?? [],
            );
            foreach (self::holds($blocks, $key) ? Width::cases() : [] as $width) {
                $widths[$width->value][] = $slot === FrameSlot::Side
                    ? SlotWidths::side($width->window(), $page)
                    : SlotWidths::body($width->window(), $page);
            }
        }

        return $widths;
    }

    /** @param  list<PlacedBlock>  $blocks */
    private static function holds(array $blocks, string $key): bool
    {
        return array_filter(
            $blocks,
            fn (PlacedBlock $one): bool => $one->block instanceof ModuleBlock && $one->block->module === $key,
        ) !== [];
    }

    /** @return list<string> places of the parts that lead to no page */
    private function deadLinks(Module $module, ListingWithGaps $run, Context $context): array
    {
        $links = array_filter(
            $module->shownCard->parts(),
            fn (Part $part): bool => in_array($part->kind->key(), ['link', 'button'], true),
        );
        if ($links === [] || $run->result->keys === []) {
            return [];
        }
        $keys = array_slice($run->result->keys, 0, self::TRIED);
        $records = $this->sources->records($module->source, $keys, $module->shownCard->fields(), $context);
        $own = $this->addresses->of($module->source, $records);

        return array_keys(array_filter($links, fn (Part $part): bool => $this->leadsNowhere(
            $part,
            $records,
            $own,
            $context,
        )));
    }

    /**
     * @param  list<Record>  $records
     * @param  array<string, string>  $own  addresses of their own pages, by key
     */
    private function leadsNowhere(Part $part, array $records, array $own, Context $context): bool
    {
        if ($part->option('address') === '') {
            return $own === [];
        }
        foreach ($records as $record) {
            $address = AddressOfValues::of($part->option('address'), $part->others(), $record);
            $path = $address === null || ! str_starts_with($address, '/') ? null : parse_url($address, PHP_URL_PATH);
            if (is_string($path) && $this->finder->find(rawurldecode($path), $context, new Dependencies) === null) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<array-key, Page>  $pages
     * @return list<array{name: string, shows: int}> modules of the same page that show the same records
     */
    private function twins(Module $module, array $pages, Context $context): array
    {
        $found = [];
        $asks = self::asks($module);
        foreach ($pages as $page) {
            foreach ($page->modules()->where('modules.key', '<>', $module->key)->get() as $row) {
                $other = $this->modules->live($row);
                if ($other !== null && self::asks($other) === $asks) {
                    $total = $this->listing->total($other, $context);
                    $shows = min($total, $other->page->size);
                    if ($shows > 0) {
                        $found[$other->key] = ['name' => $other->name, 'shows' => $shows];
                    }
                }
            }
        }

        return array_values($found);
    }

    /** @return array<string, mixed> what says which records a module shows first */
    private static function asks(Module $module): array
    {
        return array_intersect_key(
            $module->toArray(),
            array_flip(['source', 'where', 'leaveOut', 'pin', 'order', 'skip']),
        );
    }
}
