<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use App\Listing\Cache\ListingDependencies;
use App\Models\Media;
use App\Pages\SiteDefinitionStore;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\Block\PageScene;
use App\Site\Listings\ListingPreview;
use App\Site\Listings\PageListings;
use App\Site\Listings\PageModules;
use App\Site\Listings\VisitorListings;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Heading;
use Wellspring\Core\Page\Block\PageTitle;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Page\Frame\FrameResolver;
use Wellspring\Core\Page\PageResolver;
use Wellspring\Core\Page\ShownBand;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Text\HeadingOutline;

/**
 * Makes pages: the parts of a definition and of the frame that show, each block drawn, with the dependencies of the
 * page.
 */
final readonly class SitePages
{
    public function __construct(
        private PageModules $modules,
        private VisitorListings $listings,
        private ListingDependencies $listingDependencies,
        private SiteDefinitionStore $frames,
        private BlockNodes $blocks,
    ) {
    }

    /**
     * @param  PageAddress  $address  its path; the parameters of its links are added here
     * @param  Context  $context  with what the page is about
     * @param  array<string, string>  $asked  the requested page number by module key, as written in the address;
     *   missing for page 1
     * @param  ListingPreview|null  $preview  shown in place of the module with its key, whether or not that is live
     *
     * @throws NoSuchPage
     */
    public function page(
        FoundPage $found,
        PageAddress $address,
        Context $context,
        array $asked,
        Dependencies $dependencies = new Dependencies,
        ?ListingPreview $preview = null,
        bool $drafts = false,
    ): PageResult {
        $page = $found->stored->definition;
        $live = $this->frames->live($drafts);
        $frame = $live->frame ?? self::plainFrame();
        // Every listing reads types, taxonomies and files.
        $dependencies->on('pages', 'frame', 'catalogue', 'media');
        if ($found->stored->id !== null) {
            $dependencies->on("page:{$found->stored->id}");
        }
        $dependencies->expireWith($context, ...$page->schedules(), ...$frame->schedules());
        $keys = array_values(array_unique([...$page->modules(), ...$frame->modules()]));
        $elsewhere = array_values(array_diff([...$page->offersChoicesOf(), ...$frame->offersChoicesOf()], $keys));
        $asked = array_diff_key($asked, array_flip($elsewhere));
        $modules = $this->modules->of([...$keys, ...$elsewhere], $context, $dependencies, $preview?->module);
        $names = array_merge(...array_values(
            array_map(fn (Module $module): array => $module->parameterNames(), $modules),
        ));
        $address = $address->withAll(PageModules::parameters($modules, $context, $asked), $names);
        $listings = new PageListings(
            $this->listings,
            $modules,
            $address,
            $context,
            $asked,
            $dependencies,
            $this->listingDependencies->marksOf($modules),
            $preview,
        );
        $scene = new PageScene($found->subject, $address, $context, $live, $dependencies, $listings->of(...));
        $isTitled = $page->showsTitle;
        $draw = function (Block $block) use ($scene, $listings, &$isTitled): Node {
            // The first block with a heading shows the page's title, unless the page shows it itself.
            $node = $this->blocks->node($block, $scene, $listings, $isTitled ? 2 : 1);
            $isTitled = $isTitled || ($block instanceof PageTitle || $block instanceof Heading)
                && $node->content !== null;

            return $node;
        };
        $bands = PageResolver::show($page, $context, $draw);
        $isTitled = true;
        $outline = new HeadingOutline($page->showsTitle);

        return (new PageResult(
            $page,
            $found->subject,
            $bands,
            FrameResolver::show($frame, $page->address, $address->path, $context, $draw),
            $dependencies,
            $address,
            array_values(array_unique($names)),
            self::grounds($bands, $found->subject),
            array_filter($modules, fn (BoundModule $module): bool => ! $module->chosen->isOneOfFew()) !== [],
        ))->withBlocks(fn (DrawnBlock $drawn): DrawnBlock => $drawn->withHtml($outline->mended($drawn->html)));
    }

    /**
     * The parameters of the canonical address of page().
     *
     * @param  array<string, string>  $asked  see page()
     * @return array<string, string>
     */
    public function canonicalParameters(FoundPage $found, Context $context, array $asked): array
    {
        $page = $found->stored->definition;
        $frame = $this->frames->live()->frame ?? self::plainFrame();
        $modules = $this->modules->of(
            array_values(array_unique([
                ...$page->modules(), ...$frame->modules(), ...$page->offersChoicesOf(), ...$frame->offersChoicesOf(),
            ])),
            $context,
            new Dependencies,
        );

        return PageModules::parameters($modules, $context, $asked);
    }

    /**
     * @param  list<ShownBand<DrawnBlock>>  $bands
     * @return array<string, Media> the pictures that bands stand on, by the band's key
     */
    private static function grounds(array $bands, Subject $subject): array
    {
        $names = [];
        foreach ($bands as $band) {
            $names[$band->band->key] = $band->band->ground?->picture($subject->picture);
        }
        $names = array_filter($names, fn (?string $name): bool => $name !== null);
        $media = $names === [] ? [] : Media::query()->whereIn('name', $names)->get()->keyBy('name')->all();

        return array_filter(array_map(fn (string $name): ?Media => $media[$name] ?? null, $names));
    }

    /**
     * The frame for pages without a definition: the search, "not found".
     *
     * @return array<string, non-empty-list<DrawnBlock>> by the value of FrameSlot
     */
    public function frame(
        PageAddress $address,
        Context $context,
        Dependencies $dependencies = new Dependencies,
    ): array {
        $live = $this->frames->live();
        $frame = $live->frame ?? self::plainFrame();
        $dependencies->on('pages', 'frame', 'catalogue', 'media');
        $dependencies->expireWith($context, ...$frame->schedules());
        $modules = $this->modules->of($frame->modules(), $context, $dependencies);
        $scene = new PageScene(null, $address, $context, $live, $dependencies);
        $marks = $this->listingDependencies->marksOf($modules);
        $listings = new PageListings($this->listings, $modules, $address, $context, [], $dependencies, $marks);

        return FrameResolver::show(
            $frame,
            AddressPattern::of($address->path),
            $address->path,
            $context,
            fn (Block $block): Node => $this->blocks->node($block, $scene, $listings, 2),
        );
    }

    public static function itemAddress(Type $type, string $slug): string
    {
        return str_replace('{slug}', $slug, $type->address);
    }

    /** The default frame of a site that has published none. */
    public static function plainFrame(): FrameDefinition
    {
        return FrameReader::read(['format' => FrameReader::FORMAT, 'slots' => [
            'header' => [
                ['block' => 'menu', 'menu' => 'main'], ['block' => 'searchBox'], ['block' => 'accountLinks'],
            ],
        ]]);
    }
}
