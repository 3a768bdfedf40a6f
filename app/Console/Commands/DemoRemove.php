<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ReportsProblems;
use Database\Seeders\Demo\DemoRemoval;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class DemoRemove extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:demo:remove';

    protected $description = 'Remove the items, pages, modules, files and people of the demo that nobody has changed';

    public function handle(DemoRemoval $removal): int
    {
        try {
            $done = $removal->remove();
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        $this->info("Removed {$done['removed']} things of the demo.");
        $this->line("wellspring:undo {$done['change']} brings them back.");
        foreach ($done['left'] as $why) {
            $this->line("Left as it is: {$why}");
        }

        return self::SUCCESS;
    }
}
