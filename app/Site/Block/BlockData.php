<?php

declare(strict_types=1);

namespace App\Site\Block;

use Wellspring\Core\Empty\Level;
use Wellspring\Core\Page\Block;

/**
 * What the view of a block needs beside the block and what the page is about.
 *
 * @template B of Block
 */
interface BlockData
{
    /** @return class-string<B> */
    public static function block(): string;

    /**
     * @param  B  $block
     * @return array<string, mixed>|Level|null by the name that the view knows it by; where the block has nothing to
     *   show, null, or what goes with it
     */
    public function data(Block $block, PageScene $scene): array|Level|null;
}
