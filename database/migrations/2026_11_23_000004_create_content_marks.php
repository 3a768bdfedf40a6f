<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A mark for each type and taxonomy that every statement changing its content sets anew, in the same transaction, so
 * that what is remembered under a mark is never stale. The database does it itself, so that no way of writing can
 * forget to. A transaction of very many statements sets wellspring.bulk to `on` and marks but once, with its own
 * number: a row that is changed again and again before the commit grows slow to find.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table content_counters (key text primary key, mark text not null);
            create sequence content_marks;

            create function mark_content(keys text[]) returns void language sql as $$
                insert into content_counters (key, mark)
                select key, case current_setting('wellspring.bulk', true) when 'on' then 'transaction ' ||
                    pg_current_xact_id() else 'statement ' || nextval('content_marks') end
                from unnest(keys) as key order by key
                on conflict (key) do update set mark = excluded.mark where content_counters.mark <> excluded.mark
            $$;

            create function mark_items() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'type:' || type_key from changed));
                return null;
            end $$;

            create function mark_item_terms() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'type:' || items.type_key from changed join items on items.id
                    = changed.item_id));
                return null;
            end $$;

            create function mark_terms() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'taxonomy:' || taxonomy_key from changed));
                return null;
            end $$;

            create function mark_types() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'type:' || key from changed));
                return null;
            end $$;
            SQL);
        foreach ([
            'items' => 'mark_items',
            'item_term' => 'mark_item_terms',
            'terms' => 'mark_terms',
            'types' => 'mark_types',
        ] as $table => $function) {
            foreach (['insert' => 'new', 'update' => 'new', 'delete' => 'old'] as $event => $rows) {
                DB::unprepared(
                    "create trigger {$table}_{$event}_mark after "
                        ."{$event} on {$table} referencing {$rows} table as changed for each statement execute "
                            ."function {$function}()",
                );
            }
        }
        // What a remembered listing asks: when does the next item appear or go?
        DB::statement("create index items_appearing on items (type_key, publish_at) where status = 'published'");
        DB::statement(
            "create index items_expiring on items (type_key, expire_at) where status = 'published' and expire_at is "
                .'not null',
        );
    }

    public function down(): void
    {
        foreach ([
            'items' => 'mark_items',
            'item_term' => 'mark_item_terms',
            'terms' => 'mark_terms',
            'types' => 'mark_types',
        ] as $table => $function) {
            DB::statement("drop function {$function}() cascade");
        }
        DB::unprepared(
            'drop function mark_content(text[]); drop table content_counters; drop sequence content_marks; drop index '
                .'items_appearing, items_expiring',
        );
    }
};
