<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Models\Module;
use App\Models\Page;
use App\Models\SiteDefinition;

/** Rewrites stored definitions, draft and live, and can restore them. */
final class RenamedRows
{
    /**
     * @template TRow of Module|Page|SiteDefinition
     *
     * @param  iterable<TRow>  $rows  locked
     * @param  \Closure(TRow, array<string, mixed>): array<array-key, mixed>  $renamed  returns the new definition
     * @param  \Closure(TRow): array<string, mixed>  $named  returns the keys that identify the row
     * @return list<array<string, mixed>> of each row that was changed: these keys, its new revision (`after`),
     *   and its `draft` and `live` as they were
     */
    public static function replace(iterable $rows, \Closure $renamed, \Closure $named): array
    {
        $replaced = [];
        foreach ($rows as $row) {
            $draft = $renamed($row, $row->draft);
            $live = $row->live === null ? null : $renamed($row, $row->live);
            if ($draft !== $row->draft || $live !== $row->live) {
                $replaced[] = $named($row) + [
                    'after' => $row->revision + 1, 'draft' => $row->draft, 'live' => $row->live,
                ];
                self::write($row, $draft, $live);
            }
        }

        return $replaced;
    }

    /**
     * Restores what replace() changed. A row that was changed again since stays as it is.
     *
     * @param  Module|Page|SiteDefinition|null  $row  null if it no longer exists
     * @param  array<string, mixed>  $was  an entry of replace()
     */
    public static function putBack(Module|Page|SiteDefinition|null $row, array $was): void
    {
        if ($row !== null && $row->revision === $was['after']) {
            self::write($row, $was['draft'], $was['live']);
        }
    }

    /**
     * @param  array<array-key, mixed>  $draft
     * @param  array<array-key, mixed>|null  $live
     */
    private static function write(Module|Page|SiteDefinition $row, array $draft, ?array $live): void
    {
        $row->draft = $draft;
        $row->live = $live;
        $row->revision++;
        $row->save();
    }
}
