<?php

declare(strict_types=1);

namespace App\Pages;

use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Menu\MenuDefinition;

/** The frame and the menus that visitors get. */
final readonly class LiveFrame
{
    /**
     * @param  FrameDefinition|null  $frame  null while there is none
     * @param  array<string, MenuDefinition>  $menus  by key
     */
    public function __construct(public ?FrameDefinition $frame, public array $menus)
    {
    }
}
