<?php

declare(strict_types=1);

namespace App\Views;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Calendar;

/**
 * Counts views of items, one number an item and day. Nothing about a visitor is stored: that the same one has looked
 * within half an hour is told by a hash of address and browser under a secret that is made anew each day; both are
 * removed when they have run out.
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
