<?php

declare(strict_types=1);

namespace App\ViewCounts;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Calendar;

/**
 * Counts views of items, one number an item and day, and one view for a network in half an hour. Nothing about a
 * visitor is stored: a hash of the network, under a secret that is new each day, tells that it was counted. Both are
 * removed when they have expired.
 */
final readonly class ViewCounter
{
    public function __construct(private Calendar $calendar)
    {
    }

    public function note(int $item, CountableVisit $visit): void
    {
        $now = now();
        DB::select(
            'select count_view(?, ?, ?, ?)',
            [$item, $this->calendar->day($now), $visit->visitor, $now->toIso8601String()],
        );
    }

    /** Removes what is no longer needed to tell visits apart. */
    public function prune(): int
    {
        DB::table('view_secrets')->where('day', '<', $this->calendar->day(now()))->delete();

        return DB::table('item_visits')->where('until', '<=', now())->delete();
    }
}
