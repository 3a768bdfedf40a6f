<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\PageStore;
use Illuminate\Console\Command;
use Wellspring\Core\Page\PageDefinition;

final class PagesApply extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:pages:apply {file : a definition, or - for the standard input} {--publish : '
        .'put it live}';

    protected $description = 'Create a page from a definition, or replace the draft of the one with its key';

    public function handle(PageStore $store): int
    {
        return $this->applyDefinition(
            $store->read(...),
            $store->apply(...),
            $store->publish(...),
            fn (PageDefinition $page): string => "The page {$page->key}",
        );
    }
}
