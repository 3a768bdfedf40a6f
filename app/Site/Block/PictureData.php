<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Models\Media;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Picture;

/** @implements BlockData<Picture> */
final class PictureData implements BlockData
{
    public static function block(): string
    {
        return Picture::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $media = Media::query()->where('name', $block->picture)->first();

        return $media === null ? null : ['media' => $media];
    }
}
