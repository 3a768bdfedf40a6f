<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\ReportsProblems;
use App\Sets\ReadySet;
use App\Sets\SetApplier;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class SetsApply extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:sets:apply
        {path : a zip file, or a folder of the same files}
        {--look : say what it would do, and do nothing}';

    protected $description = 'Bring in a ready-made set of types, taxonomies and modules; what the site has stays as '
        .'it is';

    public function handle(SetApplier $applier): int
    {
        try {
            $path = $this->given('path');
            $set = is_dir($path) ? ReadySet::fromFolder($path) : ReadySet::fromZip($path);
            $parts = $this->option('look') ? $applier->look($set) : $applier->apply($set);
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);
            $this->error('Nothing was written.');

            return self::FAILURE;
        }
        $states = [
            'new' => $this->option('look') ? 'would be made' : 'made',
            'same' => 'is here already',
            'kept' => 'is here and otherwise; stays as it is',
        ];
        foreach ($parts as $part) {
            $this->line("{$part->kind} {$part->key}: {$states[$part->state]} ({$part->says})");
        }

        return self::SUCCESS;
    }
}
