<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Content\SafeHtml;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\RichText;

/** @implements BlockData<RichText> */
final readonly class RichTextData implements BlockData
{
    public function __construct(private SafeHtml $safe)
    {
    }

    public static function block(): string
    {
        return RichText::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $html = $this->safe->safe($block->html);

        return $html === null ? null : ['html' => $html];
    }
}
