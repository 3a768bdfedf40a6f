<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ReportsProblems;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;

final class ModulesExport extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:modules:export {key} {--live : what visitors get, instead of the draft}';

    protected $description = 'Print a module’s definition';

    public function handle(ModuleStore $store): int
    {
        $row = $store->find($this->given('key'));
        $definition = $this->option('live') ? $row?->live : $row?->draft;
        if ($row === null || $definition === null) {
            $this->error($row === null ? "There is no module “{$this->given('key')}”." : 'This module is not live.');

            return self::FAILURE;
        }
        $this->output->writeln(
            json_encode(
                $store->read($definition)->toArray(),
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
