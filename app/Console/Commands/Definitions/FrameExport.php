<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\SiteDefinitionStore;
use Illuminate\Console\Command;
use Wellspring\Core\Page\Frame\FrameReader;

final class FrameExport extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:frame:export {--live : what visitors get, instead of the draft}';

    protected $description = 'Print the definition of the frame';

    public function handle(SiteDefinitionStore $store): int
    {
        $row = $store->frame();

        return $this->exportDefinition(
            $row?->draft,
            $row?->live,
            fn (array $definition): array => FrameReader::read($definition)->toArray(),
            'The frame',
        );
    }
}
