<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\PageStore;
use Illuminate\Console\Command;

final class PagesExport extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:pages:export {key} {--live : what visitors get, instead of the draft}';

    protected $description = 'Print a page’s definition';

    public function handle(PageStore $store): int
    {
        $row = $store->find($this->given('key'));

        return $this->exportDefinition(
            $row?->draft,
            $row?->live,
            fn (array $definition): array => $store->read($definition)->toArray(),
            "The page “{$this->given('key')}”",
        );
    }
}
