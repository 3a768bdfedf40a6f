<?php

declare(strict_types=1);

namespace App\Providers;

use App\Jobs\FetchVideo;
use App\Jobs\KeepIndexes;
use App\Modules\LiveModulesChanged;
use App\Tasks\JobLease;
use App\Video\VideoWanted;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\ServiceProvider;

/** Restarts jobs whose worker was stopped, and starts jobs on events. */
final class QueueServiceProvider extends ServiceProvider
{
    /** Seconds between two checks for such jobs. */
    private const RECOVER_EVERY = 5;

    private int $recoveredAt = 0;

    public function boot(): void
    {
        Queue::createPayloadUsing(
            fn (?string $connection, ?string $queue, array $payload): array => JobLease::payload($payload),
        );
        // A worker returns the jobs of stopped workers to the queue.
        Event::listen(Looping::class, function (): void {
            if (time() - $this->recoveredAt >= self::RECOVER_EVERY) {
                $this->recoveredAt = time();
                JobLease::recover();
            }
        });
        Event::listen(LiveModulesChanged::class, fn () => KeepIndexes::dispatch());
        Event::listen(VideoWanted::class, fn (VideoWanted $wanted): mixed => FetchVideo::dispatch($wanted->address));
    }
}
