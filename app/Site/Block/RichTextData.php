<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Content\SafeHtml;
use Illuminate\Contracts\Cache\Repository;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\RichText;

/** @implements BlockData<RichText> */
final readonly class RichTextData implements BlockData
{
    private const KEEP_SECONDS = 21_600;

    public function __construct(private SafeHtml $safe, private Repository $cache)
    {
    }

    public static function block(): string
    {
        return RichText::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $html = $this->cache->remember(
            'safe-html:'.hash('xxh128', $block->html),
            self::KEEP_SECONDS,
            fn (): string => (string) $this->safe->safe($block->html),
        );

        return $html === '' ? null : ['html' => $html];
    }
}
