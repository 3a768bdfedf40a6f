<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Media\VideoFetcher;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/** Fetches the description of a video from another site. */
final class FetchVideo implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 3;

    /** @var list<int> seconds before it is tried again */
    public array $backoff = [60, 900];

    public function __construct(private readonly string $address)
    {
    }

    public function handle(VideoFetcher $videos): void
    {
        if (! $videos->fetch($this->address) && $this->attempts() < $this->tries) {
            $this->release($this->backoff[$this->attempts() - 1] ?? 900);
        }
    }
}
