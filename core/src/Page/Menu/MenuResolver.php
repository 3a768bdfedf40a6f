<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Context\Context;

/**
 * Decides which entries of a menu show: those whose audience includes the viewer, and whose target the viewer may see.
 */
final class MenuResolver
{
    /**
     * @param  string  $path  of the current address
     * @param  \Closure(MenuEntry): list<array{label: string, address: string}>  $targets  the targets of an entry: none
     *   if the viewer may not see them, several for a module
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
