<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\PageResolver;

/** Decides what of the frame shows around a page: by place, audience and dates, then from the inside out. */
final class FrameResolver
{
    /**
     * @template T of object
     *
     * @param  AddressPattern  $page  of the current page
     * @param  string  $path  of the current address
     * @param  \Closure(Block): Node<T>  $show  as of PageResolver::show()
     * @return array<string, non-empty-list<T>> by the value of FrameSlot; those with nothing left are not there
     */
    public static function show(
        FrameDefinition $frame,
        AddressPattern $page,
        string $path,
        Context $context,
        \Closure $show,
    ): array {
        $shown = [];
        foreach (FrameSlot::cases() as $slot) {
            $blocks = [];
            foreach ($frame->entries($slot) as $entry) {
                if ($entry->place->admits($page, $path) && $entry->placed->schedule->admits($context)) {
                    $blocks[] = $show($entry->placed->block);
                }
            }
            $left = array_values(array_filter(
                array_column(Node::branch(Level::Slot, $blocks)->left()->children ?? [], 'content'),
            ));
            if ($left !== []) {
                $shown[$slot->value] = $left;
            }
        }

        return $shown;
    }
}
