<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What whole pages need to be kept: a mark `content` of all types and taxonomies together, the transaction that folded
 * a mark last, and visits counted by the database alone, so that a view can be counted without the framework.
 */
return new class extends Migration
{
    private const MARK = <<<'SQL'
        create or replace function mark_content(keys text[]) returns void language sql as $$
            insert into content_mark_changes (key, txid, number)
            select distinct key, pg_current_xact_id(), hashtextextended(gen_random_uuid()::text, 0) from
                unnest(%s) as key where key is not null
            on conflict (key, txid) do nothing
        $$
        SQL;

    public function up(): void
    {
        DB::unprepared(sprintf(
            self::MARK,
            "keys || case when exists (select from unnest(keys) as one where one like 'type:%' or one like "
                ."'taxonomy:%') then array['content'] end",
        ));
        DB::unprepared(<<<'SQL'
            alter table content_marks add column folded_by xid8;

            -- The mark of several keys together, and the state of the database that it was read in; null while that is
            -- the state that was seen before. Nothing is looked up then: most requests come between two writes.
            create function page_mark(keys text[], seen text) returns text language plpgsql stable as $$
            declare
                state text := pg_postmaster_start_time()::text || ' ' || pg_current_snapshot()::text;
            begin
                if state = seen then
                    return null;
                end if;
                return (
                    select coalesce(sum(number), 0)::text from (
                        select base as number from content_marks where key = any(keys)
                        union all select number from content_mark_changes where key = any(keys)
                    ) as rows
                ) || '@' || state;
            end $$;

            -- Nothing in them is worth keeping over a crash.
            create unlogged table view_secrets (day date primary key, secret bytea not null);
            create unlogged table item_visits (visitor bytea primary key, until timestamptz(0) not null);

            -- Counts a view of an item, unless the same visitor has looked at it within half an hour. Who that was is
            -- told by a hash under a secret that is made anew each day.
            create function count_view(item bigint, today date, visitor text, at timestamptz) returns boolean
            language plpgsql as $$
            declare
                today_secret bytea;
                counted integer;
            begin
                insert into view_secrets (day, secret)
                    values (today, uuid_send(gen_random_uuid()) || uuid_send(gen_random_uuid()))
                    on conflict (day) do nothing;
                select secret into today_secret from view_secrets where day = today;
                insert into item_visits as visits (visitor, until) values (
                    substr(sha256(today_secret || convert_to(item || ' ' || visitor, 'UTF8')), 1, 16),
                    at + interval '30 minutes'
                ) on conflict on constraint item_visits_pkey do update set until = excluded.until
                    where visits.until <= at;
                get diagnostics counted = row_count;
                if counted = 0 then
                    return false;
                end if;
                insert into item_views (item_id, day, views) select id, today, 1 from items where id = item
                    on conflict (item_id, day) do update set views = item_views.views + 1;
                return true;
            end $$;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(sprintf(self::MARK, 'keys'));
        DB::unprepared(<<<'SQL'
            drop function page_mark(text[], text);
            drop function count_view(bigint, date, text, timestamptz);
            drop table item_visits;
            drop table view_secrets;
            alter table content_marks drop column folded_by;
            SQL);
    }
};
