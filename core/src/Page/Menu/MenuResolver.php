<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Context\Context;

/** Says what of a menu shows: entries whose audience has the viewer in it and whose target the viewer may see. */
final class MenuResolver
{
    /**
     * @param  string  $path  of the address at hand
     * @param  \Closure(MenuEntry): list<array{label: string, address: string}>  $targets  what an entry leads to: none
     *   where the viewer may not see it, several for a module
     * @return list<ShownMenuEntry>
     */
    public static function show(MenuDefinition $menu, string $path, Context $context, \Closure $targets): array
    {
        return self::entries($menu->entries, $path, $context, $targets);
    }

    /**
     * @param  list<MenuEntry>  $entries
     * @param  \Closure(MenuEntry): list<array{label: string, address: string}>  $targets
     * @return list<ShownMenuEntry>
     */
    private static function entries(array $entries, string $path, Context $context, \Closure $targets): array
    {
        $shown = [];
        foreach ($entries as $entry) {
            $found = $entry->audience->admits($context->viewer) ? $targets($entry) : [];
            foreach ($found as ['label' => $label, 'address' => $address]) {
                $shown[] = new ShownMenuEntry(
                    $entry->label ?? $label,
                    $address,
                    $address === $path,
                    self::entries($entry->entries, $path, $context, $targets),
                );
            }
        }

        return $shown;
    }
}
