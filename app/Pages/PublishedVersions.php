<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Models\Page;
use App\Models\SiteDefinition;
use Illuminate\Support\Facades\DB;

/** All published versions of a page, the frame, a menu and the site's settings. */
final class PublishedVersions
{
    /** Publishes the draft and stores it as the newest version. */
    public static function publish(Page|SiteDefinition $row): void
    {
        $row->live = $row->draft;
        $row->published_at = now()->toImmutable();
        $row->save();
        [$table, $owner] = self::table($row);
        $number = DB::table($table)->where($owner, $row->id)->max('number');
        DB::table($table)->insert([
            $owner => $row->id,
            'number' => (is_numeric($number) ? (int) $number : 0) + 1,
            'definition' => json_encode($row->live, JSON_THROW_ON_ERROR),
            'user_id' => Actor::id(),
            'published_at' => $row->published_at,
        ]);
    }

    /** @return iterable<mixed> decoded definitions, the newest first */
    public static function of(Page|SiteDefinition $row): iterable
    {
        [$table, $owner] = self::table($row);
        foreach (DB::table($table)->where($owner, $row->id)->orderByDesc('number')->pluck('definition') as $text) {
            yield json_decode(is_string($text) ? $text : '', true);
        }
    }

    /** @return array{string, string} the table of its versions, and the column that names it there */
    private static function table(Page|SiteDefinition $row): array
    {
        return $row instanceof Page
            ? ['page_versions', 'page_id']
            : ['site_definition_versions', 'site_definition_id'];
    }
}
