<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Import;
use App\Models\Task;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Time\Calendar;

/** The writes in progress, for people who have to wait for them. */
final class UnderWay
{
    /** A description with its start: `: Importing plants.csv, since 09:41`; empty if nothing is known. */
    public static function words(Calendar $calendar): string
    {
        $since = DB::selectOne(
            "select to_char(min(xact_start) at time zone ?, 'HH24:MI') as at from pg_stat_activity where datname = "
                ."current_database() and backend_type = 'client backend' and pid <> pg_backend_pid()",
            [$calendar->zone->getName()],
        )?->at;
        $what = Task::query()
            ->where('state', 'running')
            ->whereNotIn('kind', app(LongWorkRegister::class)->onlyReading())
            ->value('title');
        $file = Import::query()->where('state', 'writing')->value('name');
        $words = array_filter([
            is_string($what) ? $what : (is_string($file) ? "Importing {$file}" : null),
            is_string($since) ? "since {$since}" : null,
        ]);

        return $words === [] ? '' : ': '.implode(', ', $words);
    }
}
