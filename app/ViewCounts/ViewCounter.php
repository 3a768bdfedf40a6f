<?php

declare(strict_types=1);

namespace App\ViewCounts;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Calendar;

/**
 * Counts views of items per day, at most one view per network in half an hour. Nothing about a visitor is stored except
 * a hash of the network with a daily secret, which recognises repeated visits. Both are removed when they expire.
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

    /** Removes expired data for recognising visits. */
    public function prune(): int
    {
        DB::table('view_secrets')->where('day', '<', $this->calendar->day(now()))->delete();

        return DB::table('item_visits')->where('until', '<=', now())->delete();
    }
}
