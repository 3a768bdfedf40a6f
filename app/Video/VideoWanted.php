<?php

declare(strict_types=1);

namespace App\Video;

/** Event: a page shows a video without a description. */
final readonly class VideoWanted
{
    public function __construct(public string $address)
    {
    }
}
