<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\SiteDefinitionStore;
use Illuminate\Console\Command;
use Wellspring\Core\Page\Menu\MenuDefinition;

final class MenusApply extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:menus:apply {file : a definition, or - for the standard input} {--publish : '
        .'put it live}';

    protected $description = 'Create a menu from a definition, or replace the draft of the one with its key';

    public function handle(SiteDefinitionStore $store): int
    {
        return $this->applyDefinition(
            $store->readMenu(...),
            fn (MenuDefinition $menu) => $store->apply($menu),
            $store->publish(...),
            fn (MenuDefinition $menu): string => "The menu {$menu->key}",
        );
    }
}
