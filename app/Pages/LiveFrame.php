<?php

declare(strict_types=1);

namespace App\Pages;

use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Menu\MenuDefinition;

/** The live frame and menus. */
final readonly class LiveFrame
{
    /**
     * @param  FrameDefinition|null  $frame  null if no frame is published
     * @param  array<string, MenuDefinition>  $menus  by key
     */
    public function __construct(public ?FrameDefinition $frame, public array $menus)
    {
    }
}
