<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\JsonFile;
use App\Console\ReportsProblems;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class ModulesApply extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:modules:apply {file : a definition, or - for the standard input} {--publish : '
        .'put it live}';

    protected $description = 'Create a module from a definition, or replace the draft of the one with its key';

    public function handle(ModuleStore $store): int
    {
        try {
            $module = $store->read(JsonFile::read($this->given('file')));
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);
            $this->error('Nothing was written.');

            return self::FAILURE;
        }
        $this->tellProblems($store->notes($module), 'comment');
        $row = $store->apply($module);
        if ($this->option('publish')) {
            $store->publish($row);
        }
        $this->info("The module {$module->key} is ".($this->option('publish') ? 'live.' : 'kept as a draft.'));

        return self::SUCCESS;
    }
}
