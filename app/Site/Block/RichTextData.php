<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Site\KeptSafeHtml;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\RichText;

/** @implements BlockData<RichText> */
final readonly class RichTextData implements BlockData
{
    public function __construct(private KeptSafeHtml $html)
    {
    }

    public static function block(): string
    {
        return RichText::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $html = $this->html->of($block->html);

        return $html === '' ? null : ['html' => $html];
    }
}
