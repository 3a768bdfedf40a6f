<?php

declare(strict_types=1);

namespace App\Freshness;

use App\Database\PostgresArray;
use Illuminate\Support\Facades\DB;

/**
 * Marks of the content that pages depend on. Triggers in the database maintain them. If a mark is unchanged, nothing
 * under it has changed. Keys: `type:KEY`, `taxonomy:KEY`, `content` (all types and taxonomies), `catalogue` (types,
 * taxonomies, terms and groups as a whole), `people`, `modules`, `module:KEY`, `pages`, `page:ID`, `frame`, `menu:KEY`,
 * `media`.
 */
final readonly class ContentMarks
{
    /**
     * The rows of the marks of some keys, which are bound twice. The mark of a key, or of several keys, is the sum of
     * their numbers.
     */
    private const ROWS = <<<'SQL'
        select key, base as number, folded_by as txid from content_marks where key = any(?::text[])
        union all select key, number, txid from content_mark_changes where key = any(?::text[])
        SQL;

    /**
     * Read the marks before the content that is cached under them.
     *
     * @param  list<string>  $keys
     * @return array<string, string>|null by key, absent where nothing was ever written; null within a transaction that
     *   has written something itself, which must cache nothing
     */
    public function of(array $keys): ?array
    {
        $rows = DB::select(
            'select key, sum(number)::text as mark, bool_or(txid = pg_current_xact_id_if_assigned()) as own from ('
                .self::ROWS.') as rows group by key order by key',
            [PostgresArray::literal($keys), PostgresArray::literal($keys)],
        );
        $marks = [];
        foreach ($rows as $row) {
            if ($row->own === true) {
                return null;
            }
            $marks[(string) $row->key] = (string) $row->mark;
        }

        return $marks;
    }

    /** @return string what is committed now, to be handed to since() */
    public function snapshot(): string
    {
        return (string) DB::scalar('select pg_current_snapshot()::text');
    }

    /**
     * One mark for all the keys together, for a result that is already made.
     *
     * @param  list<string>  $keys
     * @param  string  $snapshot  taken before anything was read
     * @return string|null null where something under the keys was written since: what was made may be half of it
     */
    public function since(string $snapshot, array $keys): ?string
    {
        $row = DB::selectOne(
            'select coalesce(sum(number), 0)::text as mark, bool_and(txid is null or pg_visible_in_snapshot(txid, '
                .'?::pg_snapshot)) as same from ('.self::ROWS.') as rows',
            [$snapshot, PostgresArray::literal($keys), PostgresArray::literal($keys)],
        );

        return $row?->same === false ? null : (string) $row?->mark;
    }

    /**
     * Merges the rows that changes have added into one for each key. The marks keep their values, and no writer waits.
     *
     * @return int how many rows there were
     */
    public function fold(): int
    {
        return DB::affectingStatement(<<<'SQL'
            with gone as (delete from content_mark_changes returning key, number),
            folded as (
                insert into content_marks (key, base, folded_by)
                    select key, sum(number), pg_current_xact_id() from gone group by key order by key
                on conflict (key) do update set base = content_marks.base + excluded.base,
                    folded_by = excluded.folded_by
                returning 1
            ) select 1 from gone, (select count(*) from folded) as done
            SQL);
    }
}
