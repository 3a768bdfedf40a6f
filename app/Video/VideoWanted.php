<?php

declare(strict_types=1);

namespace App\Video;

/** A page shows a video that is not known yet. */
final readonly class VideoWanted
{
    public function __construct(public string $address)
    {
    }
}
