<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use App\Models\Media;
use App\Modules\ModuleStore;
use App\Pages\SiteDefinitionStore;
use App\Site\Block\BlockViews;
use App\Site\Block\PageScene;
use App\Site\Output\ModuleView;
use App\Site\Output\Outputs;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\AddressPattern;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Heading;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Page\Block\PageTitle;
use Wellspring\Core\Page\FrameDefinition;
use Wellspring\Core\Page\FrameReader;
use Wellspring\Core\Page\FrameResolver;
use Wellspring\Core\Page\PageResolver;
use Wellspring\Core\Page\ShownBand;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Wording\Format;

/** Makes pages: what of a definition and of the frame shows, each block drawn, with what the page was made of. */
final readonly class SitePages
{
    public function __construct(
        private ModuleStore $modules,
        private Listings $listings,
        private Outputs $outputs,
        private SiteDefinitionStore $frames,
        private BlockViews $blocks,
        private Format $format,
    ) {
    }

    /**
     * @param  PageAddress  $address  its path; the parameters of its links are written here
     * @param  Context  $context  with what the page is about
     * @param  array<string, string>  $asked  the page number asked for, by module key, as it stands in the address; of
     *   what does not stand there it says nothing
     * @param  ListingPreview|null  $preview  shown in place of the module with its key, live or not
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
        // Types, taxonomies and files are read with every listing.
        $dependencies->on('pages', 'frame', 'catalogue', 'media');
        if ($found->stored->id !== null) {
            $dependencies->on("page:{$found->stored->id}");
        }
        $dependencies->expireWith($context, ...$page->schedules(), ...$frame->schedules());
        $keys = array_values(array_unique([...$page->modules(), ...$frame->modules()]));
        $elsewhere = array_values(array_diff([...$page->offersChoicesOf(), ...$frame->offersChoicesOf()], $keys));
        $asked = array_diff_key($asked, array_flip($elsewhere));
        $modules = $this->modulesOf([...$keys, ...$elsewhere], $dependencies, $preview?->module);
        $names = array_merge(...array_values(
            array_map(fn (Module $module): array => $module->parameterNames(), $modules),
        ));
        $address = $address->withAll(self::parameters($modules, $context, $asked), $names);
        $marks = $this->listings->marksOf($modules, $context);
        $times = $runs = [];
        $run = function (
            Module $module,
        ) use ($address, $context, $asked, $dependencies, $marks, $preview, &$runs): ListingResult {
            return $runs[$module->key] ??= $module->key === $preview?->module->key
                ? $this->listings->of($module, $address, $context, $preview->result, $preview->facets)
                : $this->listings->show(
                    $module,
                    $address,
                    $context,
                    $asked[$module->key] ?? '1',
                    $dependencies,
                    $marks,
                );
        };
        $listed = fn (string $key): ?ListingResult => isset($modules[$key]) ? $run($modules[$key]) : null;
        $scene = new PageScene($found->subject, $address, $context, $live, $dependencies, $listed);
        $list = function (Module $module, ModuleBlock $block) use ($run, &$times): ListingResult {
            $times[$module->key] = ($times[$module->key] ?? 0) + 1;

            return $run($module)->standing($block->heading ?? $module->name, $times[$module->key]);
        };
        // The page's title is its first heading: where it is not shown, the first block that brings one has it.
        $isTitled = $page->showsTitle;
        $draw = function (Block $block) use ($modules, $scene, $list, &$isTitled): Node {
            $node = $this->node($block, $modules, $scene, $list, $isTitled ? 2 : 1);
            $isTitled = $isTitled || ($block instanceof PageTitle || $block instanceof Heading)
                && $node->content !== null;

            return $node;
        };
        $bands = PageResolver::show($page, $context, $draw);
        $isTitled = true;

        return new PageResult(
            $page,
            $found->subject,
            $bands,
            FrameResolver::show($frame, $page->address, $address->path, $context, $draw),
            $dependencies,
            $address,
            array_values(array_unique($names)),
            self::grounds($bands, $found->subject),
            array_filter(
                $modules,
                fn (Module $module): bool => ! $module->bound($context)->chosen->isOneOfFew(),
            ) !== [],
        );
    }

    /**
     * The parameters of the canonical address of what page() gives.
     *
     * @param  array<string, string>  $asked  see page()
     * @return array<string, string>
     */
    public function canonicalParameters(FoundPage $found, Context $context, array $asked): array
    {
        $page = $found->stored->definition;
        $frame = $this->frames->live()->frame ?? self::plainFrame();
        $modules = $this->modulesOf(
            array_values(array_unique([
                ...$page->modules(), ...$frame->modules(), ...$page->offersChoicesOf(), ...$frame->offersChoicesOf(),
            ])),
            new Dependencies,
            null,
        );

        return self::parameters($modules, $context, $asked);
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
     * The frame around what no definition makes: the search, what is not found.
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
        $modules = $this->modulesOf($frame->modules(), $dependencies, null);
        $scene = new PageScene(null, $address, $context, $live, $dependencies);
        $marks = $this->listings->marksOf($modules, $context);
        $list = fn (Module $module, ModuleBlock $block): ListingResult => $this->listings
            ->show($module, $address, $context, '1', $dependencies, $marks)
            ->standing($block->heading ?? $module->name, 1);

        return FrameResolver::show(
            $frame,
            AddressPattern::of($address->path),
            $address->path,
            $context,
            fn (Block $block): Node => $this->node($block, $modules, $scene, $list, 2),
        );
    }

    public static function itemAddress(Type $type, string $slug): string
    {
        return str_replace('{slug}', $slug, $type->address);
    }

    /** The frame of a site that has published none. */
    public static function plainFrame(): FrameDefinition
    {
        return FrameReader::read(['format' => FrameReader::FORMAT, 'slots' => [
            'header' => [
                ['block' => 'menu', 'menu' => 'main'], ['block' => 'searchBox'], ['block' => 'accountLinks'],
            ],
        ]]);
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, Module> those that show, by key; what follows another's offer with that offer
     */
    private function modulesOf(array $keys, Dependencies $dependencies, ?Module $instead): array
    {
        $modules = [];
        for ($wanted = $keys; $wanted !== []; $wanted = self::shownInstead($modules, $wanted)) {
            $dependencies->on(...array_map(fn (string $key): string => "module:{$key}", $wanted));
            $rows = $this->modules->some($wanted)->keyBy('key');
            foreach ($wanted as $key) {
                $row = $rows->get($key);
                $module = $key === $instead?->key ? $instead : ($row === null ? null : $this->modules->live($row));
                $modules[$key] = $module;
            }
        }
        $modules = array_filter($modules);

        return array_map(fn (Module $module): Module => self::following($module, $modules), $modules);
    }

    /**
     * @param  array<string, Module|null>  $modules  those that are known, by key
     * @param  list<string>  $keys  of those that were asked for last
     * @return list<string> keys of those that show instead of them where they have nothing to show, not known yet
     */
    private static function shownInstead(array $modules, array $keys): array
    {
        $named = array_map(fn (string $key): ?string => ($modules[$key] ?? null)?->whenNothing->module, $keys);
        $new = array_filter($named, fn (?string $key): bool => $key !== null && ! array_key_exists($key, $modules));

        return array_values(array_unique($new));
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
            if ($module->follows === null) {
                $parameters += $module->bound($context)->chosen->parameters();
            }
            foreach ($module->addressNames() as $name) {
                $parameters += array_filter([$name => $context->choices->value($name)], is_string(...));
            }
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
     * @param  array<string, Module>  $modules  that show, by key
     * @param  \Closure(Module, ModuleBlock): ListingResult  $list
     * @param  int  $level  of the heading that the block brings, if it brings one
     * @return Node<DrawnBlock>
     */
    private function node(Block $block, array $modules, PageScene $scene, \Closure $list, int $level): Node
    {
        if (! $block instanceof ModuleBlock) {
            return $this->block($block, $scene, $level);
        }
        $module = $modules[$block->module] ?? null;

        return $module === null
            ? Node::emptyLeaf(Level::Module, Level::Module)
            : $this->listing($module, $block, $modules, $list, []);
    }

    /** @return Node<DrawnBlock> */
    private function block(Block $block, PageScene $scene, int $level): Node
    {
        $html = $this->blocks->draw($block, $scene, $level);
        $rule = $block->whenEmpty();

        return match (true) {
            $html instanceof Level => Node::emptyLeaf(Level::Module, $html),
            $html !== '' => Node::leaf(Level::Module, new DrawnBlock(
                $block,
                $html,
                $block->scripts(),
            )),
            $rule->do === EmptyAction::Say => Node::leaf(
                Level::Module,
                new DrawnBlock($block, '<p class="nothing">'.e($rule->text).'</p>'),
            ),
            default => Node::emptyLeaf(Level::Module, $rule->do->level() ?? Level::Module),
        };
    }

    /**
     * @param  array<string, Module>  $modules  that show, by key
     * @param  \Closure(Module, ModuleBlock): ListingResult  $list
     * @param  list<string>  $before  keys of those that had nothing to show, in whose place this one stands
     * @return Node<DrawnBlock>
     */
    private function listing(Module $module, ModuleBlock $block, array $modules, \Closure $list, array $before): Node
    {
        $listing = $list($module, $block);
        $rule = $module->whenNothing;
        // Who has chosen what nothing fits is told so, and can choose again.
        $isEmpty = $listing->records === [] && $listing->module->chosen->parameters() === [];
        $next = $isEmpty && $rule->module !== null ? $modules[$rule->module] ?? null : null;
        if ($next !== null && ! in_array($next->key, [...$before, $module->key], true)) {
            return $this->listing($next, $block, $modules, $list, [...$before, $module->key]);
        }
        $takes = $isEmpty
            ? ($rule->module === null ? $rule->takes() : Level::Module)
            : $this->takenByCards($listing);
        if ($takes !== null) {
            return Node::emptyLeaf(Level::Module, $takes);
        }

        return Node::leaf(Level::Module, new DrawnBlock(
            $block,
            $this->outputs->find('html')->write($listing),
            [
                ...$listing->module->arrange->scripts(),
                ...$listing->own->offered() === null ? [] : ['choices'],
                ...$listing->result->pages > 1 && $listing->module->page->mode->growsInPlace() ? ['more'] : [],
            ],
            $listing->result,
        ));
    }

    /** What an empty part of a card takes away beside the card, where it takes the module or more. */
    private function takenByCards(ListingResult $listing): ?Level
    {
        if ($listing->module->arrange->suitedNumber() !== 1) {
            return null;
        }
        $context = new CardContext($listing->context, $this->format);
        $taken = array_map(
            fn (Record $record): int => $listing->module->card->node($record, $context)->takes()->value ?? 0,
            $listing->records,
        );
        $widest = Level::from(max([0, ...$taken]));

        return $widest->value >= Level::Module->value ? $widest : null;
    }
}
