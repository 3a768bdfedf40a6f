<?php

declare(strict_types=1);

namespace App\Views;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Wellspring\Core\Time\Calendar;

/**
 * Counts views of items, one number an item and day. Nothing about a visitor is stored: that the same one has looked
 * within half an hour is told by a keyed hash of address and browser, under a key that is made anew each day and kept
 * nowhere else, in the cache for half an hour.
 */
final readonly class ViewCounter
{
    public const SAME_VISIT_SECONDS = 1800;

    /** What programs call themselves that fetch pages without anybody reading them. Common practice, no source. */
    private const PROGRAMS = '/bot\b|bot[\/;_ -]|crawl|spider|slurp|preview|fetch|scan|monitor|check|archiv'
        .'|curl|wget|python|java\/|ruby|perl|php|go-http|httpclient|headless|lighthouse|feed|rss|validator/i';

    public function __construct(private Repository $cache, private Calendar $calendar)
    {
    }

    /** @return bool whether it counts */
    public function note(int $item, Request $request): bool
    {
        $agent = (string) $request->userAgent();
        $ahead = $request->headers->get('Sec-Purpose', $request->headers->get('Purpose', ''));
        if (
            ! $request->isMethod('GET')
            || $agent === ''
            || preg_match(self::PROGRAMS, $agent) === 1
            || str_contains((string) $ahead, 'prefetch')
        ) {
            return false;
        }
        $today = $this->calendar->day(now());
        $key = $this->cache->remember("views:key:{$today}", 172_800, fn (): string => Str::random(40));
        $visitor = substr(hash_hmac('sha256', "{$request->ip()} {$agent} {$item}", $key), 0, 32);
        if (! $this->cache->add("views:{$visitor}", 1, self::SAME_VISIT_SECONDS)) {
            return false;
        }
        DB::statement(
            'insert into item_views (item_id, day, views) select id, ?, 1 from items where id = ? on conflict '
                .'(item_id, day) do update set views = item_views.views + 1',
            [$today, $item],
        );

        return true;
    }
}
