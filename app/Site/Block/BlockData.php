<?php

declare(strict_types=1);

namespace App\Site\Block;

use Wellspring\Core\Empty\Level;
use Wellspring\Core\Page\Block;

/**
 * Supplies the data that the view of a block needs besides the block and the page's record.
 *
 * @template B of Block
 */
interface BlockData
{
    /** @return class-string<B> */
    public static function block(): string;

    /**
     * @param  B  $block
     * @return array<string, mixed>|Level|null view data by name; if the block has nothing to show, null or the level to
     *   remove with it
     */
    public function data(Block $block, PageScene $scene): array|Level|null;
}
