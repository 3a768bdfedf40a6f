<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;

/** Decides what of a page shows for a viewer at an instant: what is admitted, then from the inside out. */
final class PageResolver
{
    /**
     * @template T of object
     *
     * @param  \Closure(Block): Node<T>  $show  draws an admitted block: a leaf of the level Module, or an empty one
     *   that names what to remove with it
     * @return list<ShownBand<T>>
     */
    public static function show(PageDefinition $page, Context $context, \Closure $show): array
    {
        $shown = [];
        foreach ($page->bands as $band) {
            $node = $band->schedule->admits($context) ? self::band($band, $context, $show)->left() : null;
            $slots = [];
            foreach ($node->children ?? [] as $child) {
                $blocks = array_values(array_filter(array_column($child->children, 'content')));
                if ($child->of instanceof Slot && $blocks !== []) {
                    $slots[] = [$child->of, $blocks];
                }
            }
            $all = array_sum(array_map(fn (array $one): int => $one[0]->share, $slots));
            if ($slots !== []) {
                $shown[] = new ShownBand($band, array_map(fn (array $one): ShownSlot => new ShownSlot(
                    $one[0],
                    $all,
                    $one[1],
                ), $slots));
            }
        }

        return $shown;
    }

    /**
     * @template T of object
     *
     * @param  \Closure(Block): Node<T>  $show
     * @return Node<T>
     */
    private static function band(Band $band, Context $context, \Closure $show): Node
    {
        $slots = [];
        foreach ($band->slots as $slot) {
            $blocks = [];
            foreach ($slot->schedule->admits($context) ? $slot->blocks : [] as $placed) {
                if ($placed->schedule->admits($context)) {
                    $blocks[] = $show($placed->block);
                }
            }
            $slots[] = Node::branch(Level::Slot, $blocks, $slot);
        }

        return Node::branch(Level::Band, $slots);
    }
}
