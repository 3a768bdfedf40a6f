<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Listing\Indexes\Indexes;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;

final class KeepIndexes extends Command
{
    protected $signature = 'wellspring:indexes {--look : only say which are needed and why}';

    protected $description = 'Make the indexes that live modules need, drop those that none needs, and say which and '
        .'why';

    public function handle(Indexes $indexes, ModuleStore $store): int
    {
        $modules = $store->allLive();
        if (! $this->option('look')) {
            $done = $indexes->keep($modules, fn (string $what) => $this->line($what));
            $this->line('Made '.count($done['made']).', dropped '.count($done['dropped']).'.');
            $failed = count($done['failed']);
        }
        $needed = $indexes->needed($modules);
        $present = $indexes->present();
        $this->table(['index', 'serves', 'for', 'state'], array_map(fn (string $name): array => [
            $name, $needed[$name]['what'], implode(', ', $needed[$name]['modules']), match ($present[$name] ?? null) {
                true => 'there',
                false => 'broken off',
                null => 'missing',
            },
        ], array_keys($needed)));
        foreach (array_keys(array_diff_key($present, $needed)) as $name) {
            $this->line("{$name}: no live module needs it.");
        }

        return ($failed ?? 0) === 0 ? self::SUCCESS : self::FAILURE;
    }
}
