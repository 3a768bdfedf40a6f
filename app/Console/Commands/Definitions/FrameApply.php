<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\AppliesDefinitions;
use App\Pages\SiteDefinitionStore;
use Illuminate\Console\Command;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameReader;

final class FrameApply extends Command
{
    use AppliesDefinitions;

    protected $signature = 'wellspring:frame:apply {file : a definition, or - for the standard input} {--publish : '
        .'put it live}';

    protected $description = 'Replace the draft of the frame, which stands around every page';

    public function handle(SiteDefinitionStore $store): int
    {
        return $this->applyDefinition(
            FrameReader::read(...),
            fn (FrameDefinition $frame) => $store->apply($frame),
            $store->publish(...),
            fn (): string => 'The frame',
        );
    }
}
