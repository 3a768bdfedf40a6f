<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Models\Media;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\PagePicture;

/** @implements BlockData<PagePicture> */
final class PagePictureData implements BlockData
{
    public static function block(): string
    {
        return PagePicture::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $name = $scene->subject?->picture;
        $media = $name === null ? null : Media::query()->where('name', $name)->first();

        return $media === null ? null : ['media' => $media];
    }
}
