<?php

declare(strict_types=1);

namespace App\Site;

use App\Site\Block\BlockViews;
use App\Site\Block\PageScene;
use App\Site\Listings\PageListings;
use App\Site\Listings\VisitorListing;
use App\Site\Output\Outputs;
use App\Site\Output\VideosInTexts;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Wording\Format;

/** Draws the blocks of a page as leaves of the tree. A block with nothing to show names the level to remove with it. */
final readonly class BlockNodes
{
    public function __construct(
        private BlockViews $blocks,
        private Outputs $outputs,
        private Format $format,
        private VideosInTexts $videos,
    ) {
    }

    /**
     * @param  int  $level  of the block's heading, if it has one
     * @return Node<DrawnBlock>
     */
    public function node(Block $block, PageScene $scene, PageListings $listings, int $level): Node
    {
        if (! $block instanceof ModuleBlock) {
            return $this->block($block, $scene, $level);
        }
        $module = $listings->modules[$block->module] ?? null;

        return $module === null
            ? Node::emptyLeaf(Level::Module, Level::Module)
            : $this->listing($module, $block, $listings, []);
    }

    /** @return Node<DrawnBlock> */
    private function block(Block $block, PageScene $scene, int $level): Node
    {
        $drawn = $this->blocks->draw($block, $scene, $level);
        $html = $drawn instanceof Level ? $drawn : $this->videos->of($drawn);
        $rule = $block->whenEmpty();

        return match (true) {
            $html instanceof Level => Node::emptyLeaf(Level::Module, $html),
            $html !== '' => Node::leaf(Level::Module, new DrawnBlock(
                $block,
                $html,
                [...$block->scripts(), ...self::scriptsFor($html)],
            )),
            $rule->do === EmptyAction::Say => Node::leaf(
                Level::Module,
                new DrawnBlock($block, '<p class="nothing">'.e($rule->text).'</p>'),
            ),
            default => Node::emptyLeaf(Level::Module, $rule->do->level() ?? Level::Module),
        };
    }

    /**
     * @param  list<string>  $before  keys of the empty modules that this one replaces
     * @return Node<DrawnBlock>
     */
    private function listing(
        BoundModule $module,
        ModuleBlock $block,
        PageListings $listings,
        array $before,
    ): Node {
        $listing = $listings->placed($module, $block);
        $rule = $module->whenNothing;
        // If a visitor's choices match nothing, the module stays, so that the visitor can choose again.
        $isEmpty = $listing->records === [] && $listing->module->chosen->parameters() === [];
        $next = $isEmpty && $rule->module !== null ? $listings->modules[$rule->module] ?? null : null;
        if ($next !== null && ! in_array($next->key, [...$before, $module->key], true)) {
            return $this->listing($next, $block, $listings, [...$before, $module->key]);
        }
        $takes = $isEmpty
            ? ($rule->module === null ? $rule->takes() : Level::Module)
            : $this->takenByCards($listing);
        if ($takes !== null) {
            return Node::emptyLeaf(Level::Module, $takes);
        }

        $html = $this->videos->of($this->outputs->find('html')->write($listing));

        return Node::leaf(Level::Module, new DrawnBlock(
            $block,
            $html,
            [
                ...self::scriptsFor($html),
                ...$listing->module->arrange->scripts(),
                ...$listing->module->own->offered() === null ? [] : ['choices'],
                ...$listing->result->pages > 1 ? ['printAll'] : [],
                ...$listing->result->pages > 1 && $listing->module->page->mode->growsInPlace() ? ['more'] : [],
            ],
            $listing->result,
        ));
    }

    /** @return list<string> scripts for what may stand in any block */
    private static function scriptsFor(string $html): array
    {
        return str_contains($html, ' data-film=') ? ['film'] : [];
    }

    /** The level that an empty part of a card removes, if that is the module or more. */
    private function takenByCards(VisitorListing $listing): ?Level
    {
        if ($listing->module->arrange->suitedNumber() !== 1) {
            return null;
        }
        $context = new CardContext($listing->context, $this->format);
        $taken = array_map(
            fn (Record $record): int => $listing->module->shownCard->node($record, $context)->takes()->value ?? 0,
            $listing->records,
        );
        $widest = Level::from(max([0, ...$taken]));

        return $widest->value >= Level::Module->value ? $widest : null;
    }
}
