<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Models\Module as ModuleRow;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;
use Wellspring\Core\Module\Module;

final class ModulesApply extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:modules:apply {file : a definition, or - for the standard input} {--publish : '
        .'put it live}';

    protected $description = 'Create a module from a definition, or replace the draft of the one with its key';

    public function handle(ModuleStore $store): int
    {
        return $this->applyDefinition(
            $store->read(...),
            function (Module $module) use ($store): ModuleRow {
                $this->tellProblems($store->notes($module), 'comment');

                return $store->apply($module);
            },
            $store->publish(...),
            fn (Module $module): string => "The module {$module->key}",
        );
    }
}
