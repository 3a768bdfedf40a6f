<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use App\Modules\ModuleStore;
use App\Pages\StoredPage;
use App\Site\Output\ModuleView;
use App\Site\Output\Outputs;
use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Page\PageResolver;
use Wellspring\Core\Paging\NoSuchPage;

/** Makes pages: what of a definition shows, each block drawn, with what the page was made of. */
final readonly class SitePages
{
    public function __construct(
        private ModuleStore $modules,
        private Listings $listings,
        private Outputs $outputs,
        private Factory $views,
    ) {
    }

    /**
     * @param  PageAddress  $address  its path; the parameters of its links are written here
     * @param  array<string, string>  $asked  the page number asked for, by module key, as it stands in the address
     * @param  ListingPreview|null  $preview  shown in place of the module with its key, live or not
     *
     * @throws NoSuchPage
     */
    public function page(
        StoredPage $stored,
        PageAddress $address,
        Context $context,
        array $asked,
        ?ListingPreview $preview = null,
    ): PageResult {
        $page = $stored->definition;
        $dependencies = new Dependencies;
        // The navigation names every page; types, taxonomies and files are read with every listing.
        $dependencies->on('pages', 'catalogue', 'media');
        if ($stored->id !== null) {
            $dependencies->on("page:{$stored->id}");
        }
        foreach ($page->schedules() as $schedule) {
            $next = $schedule->nextChange($context);
            $dependencies->changesAt($next === null ? null : (new \DateTimeImmutable($next))->getTimestamp());
        }
        $modules = $this->modulesOf($stored, $dependencies, $preview?->module);
        $address = $address->withAll(self::parameters($modules, $context, $asked));
        $list = fn (Module $module, ModuleBlock $block): ListingResult => $module->key === $preview?->module->key
            ? $this->listings->of($module, $address, $context, $preview->result)
            : $this->listings->show(
                $module,
                $address,
                $context,
                $asked[$module->key] ?? '1',
                $dependencies,
                $block->heading,
            );
        $draw = function (Block $block) use ($page, $modules, $address, $context, $list): Node {
            $drawn = match (true) {
                ! $block instanceof ModuleBlock => $this->block($block, compact('block', 'page', 'context', 'address')),
                isset($modules[$block->module]) => $this->listing($list($modules[$block->module], $block)),
                default => null,
            };

            return $drawn === null
                ? Node::emptyLeaf(Level::Module, Level::Module)
                : Node::leaf(Level::Module, $drawn);
        };

        return new PageResult($page, PageResolver::show($page, $context, $draw), $dependencies);
    }

    public static function itemAddress(Type $type, string $slug): string
    {
        return str_replace('{slug}', $slug, $type->address);
    }

    /** @return array<string, Module> those that show, by key; what follows another's offer with that offer */
    private function modulesOf(StoredPage $stored, Dependencies $dependencies, ?Module $instead): array
    {
        $modules = [];
        foreach ($stored->definition->modules() as $key) {
            $dependencies->on("module:{$key}");
            $row = $stored->modules[$key] ?? null;
            $module = $key === $instead?->key ? $instead : ($row === null ? null : $this->modules->live($row));
            if ($module !== null) {
                $modules[$key] = $module;
            }
        }

        return array_map(fn (Module $module): Module => self::following($module, $modules), $modules);
    }

    /**
     * What links of the page say: for each module in turn what the visitor has chosen, in the order of the offer, and
     * the page that they are on. What else the address said is no part of it.
     *
     * @param  array<string, Module>  $modules  of the page, by key
     * @param  array<string, string>  $asked
     * @return array<string, string>
     */
    private static function parameters(array $modules, Context $context, array $asked): array
    {
        $parameters = [];
        foreach ($modules as $key => $module) {
            $parameters += $module->bound($context)->chosen->parameters();
            if (isset($asked[$key])) {
                $parameters[ModuleView::parameterOf($key)] = $asked[$key];
            }
        }

        return $parameters;
    }

    /** @param  array<string, Module>  $modules  of the page */
    private static function following(Module $module, array $modules): Module
    {
        foreach ($modules as $other) {
            if ($module->follows !== null && $other->offer?->key === $module->follows) {
                return $module->following($other->offer, $module->type()->reachable);
            }
        }

        return $module;
    }

    /**
     * @param  array<string, mixed>  $data
     * @return DrawnBlock|null null where the block has no view, and so nothing to show
     */
    private function block(Block $block, array $data): ?DrawnBlock
    {
        $view = "site.blocks.{$block::key()}";

        return $this->views->exists($view) ? new DrawnBlock($this->views->make($view, $data)->render()) : null;
    }

    private function listing(ListingResult $listing): DrawnBlock
    {
        return new DrawnBlock(
            $this->outputs->find('html')->write($listing),
            $listing->result->pages > 1 && $listing->module->page->mode->growsInPlace(),
        );
    }
}
