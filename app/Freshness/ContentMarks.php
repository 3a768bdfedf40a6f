<?php

declare(strict_types=1);

namespace App\Freshness;

use Illuminate\Support\Facades\DB;

/**
 * Marks of what pages depend on, kept by the database's own triggers: whoever finds a mark the same as before knows
 * that nothing under it has changed. Keys: `type:KEY`, `taxonomy:KEY`, `catalogue` (types, taxonomies, terms and groups
 * as a whole), `people`, `modules`, `pages`, `media`.
 */
final readonly class ContentMarks
{
    /**
     * Read the marks before the content that is cached under them.
     *
     * @param  list<string>  $keys
     * @param  bool  $allContent  whether those of all types and taxonomies are wanted, too
     * @return array<string, string>|null by key, absent where nothing was ever written; null within a transaction that
     *   has written something itself, which must cache nothing
     */
    public function of(array $keys, bool $allContent = false): ?array
    {
        $where = 'key = any(?::text[])'.($allContent ? " or key like 'type:%' or key like 'taxonomy:%'" : '');
        $list = ['{'.implode(',', array_map(fn (string $key): string => '"'.addcslashes($key, '"\\').'"', $keys)).'}'];
        $rows = DB::select(<<<SQL
            select key, sum(number)::text as mark, bool_or(own) as own from (
                select key, base as number, false as own from content_marks where {$where}
                union all
                select key, number, txid = pg_current_xact_id_if_assigned() as own from content_mark_changes where
                    {$where}
            ) as changes group by key order by key
            SQL, [...$list, ...$list]);
        $marks = [];
        foreach ($rows as $row) {
            if ($row->own === true) {
                return null;
            }
            $marks[(string) $row->key] = (string) $row->mark;
        }

        return $marks;
    }

    /**
     * Folds the rows that changes have added into one for each key. Marks stay what they are, and nobody waits.
     *
     * @return int how many rows there were
     */
    public function fold(): int
    {
        return DB::affectingStatement(<<<'SQL'
            with gone as (delete from content_mark_changes returning key, number),
            folded as (
                insert into content_marks (key, base) select key, sum(number) from gone group by key order by key
                on conflict (key) do update set base = content_marks.base + excluded.base returning 1
            ) select 1 from gone, (select count(*) from folded) as done
            SQL);
    }
}
