<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\SiteDefinitionStore;
use Illuminate\Console\Command;

final class MenusExport extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:menus:export {key} {--live : what visitors get, instead of the draft}';

    protected $description = 'Print a menu’s definition';

    public function handle(SiteDefinitionStore $store): int
    {
        $row = $store->menu($this->given('key'));

        return $this->exportDefinition(
            $row?->draft,
            $row?->live,
            fn (array $definition): array => $store->readMenu($definition)->toArray(),
            "The menu “{$this->given('key')}”",
        );
    }
}
