<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Site\Output\VideoPlayers;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Video;

/** @implements BlockData<Video> */
final readonly class VideoData implements BlockData
{
    public function __construct(private VideoPlayers $players)
    {
    }

    public static function block(): string
    {
        return Video::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        return $block->video === '' ? null : ['video' => $this->players->of(
            $block->video,
            'Video',
            $block->values->text('frame'),
            $block->values->flag('loop'),
        )];
    }
}
