<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;

final class ModulesExport extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:modules:export {key} {--live : what visitors get, instead of the draft}';

    protected $description = 'Print a module’s definition';

    public function handle(ModuleStore $store): int
    {
        $row = $store->find($this->given('key'));

        return $this->exportDefinition(
            $row?->draft,
            $row?->live,
            fn (array $definition): array => $store->read($definition)->toArray(),
            "The module “{$this->given('key')}”",
        );
    }
}
