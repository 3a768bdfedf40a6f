<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;

/** Says what of a page shows, for whom and when: what is admitted, and what is left of it bottom up. */
final class PageResolver
{
    /**
     * @template T of object
     *
     * @param  \Closure(Block): Node<T>  $show  a block that is admitted: a leaf of the level Module with what is
     *   drawn, or an empty one that says what goes with it
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
