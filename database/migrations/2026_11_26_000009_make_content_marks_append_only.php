<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A mark for each type, taxonomy and other thing that pages depend on. Whoever read a mark and finds it the same later
 * knows that nothing under it has changed.
 *
 * No transaction waits for another: each adds one row for each key that it changes, with a random number. A key's mark
 * is the sum of the numbers that the reader's snapshot sees, so a number that is committed late still changes the mark,
 * and a restored database never comes back to a mark that it had after the copy was made. `wellspring:tidy` folds the
 * rows into one base for each key; the sum stays the same.
 *
 * The triggers are the database's own, so that no way of writing can forget them.
 */
return new class extends Migration
{
    private const BEFORE = [
        'items' => 'mark_items',
        'item_term' => 'mark_item_terms',
        'terms' => 'mark_terms',
        'types' => 'mark_types',
        'item_links' => 'mark_item_links',
    ];

    /** By table: which keys its rows belong to, of the transition table `changed`. */
    private const KEYS = [
        'items' => "select 'type:' || type_key from changed",
        'item_term' => "select 'type:' || items.type_key from changed join items on items.id = changed.item_id",
        'item_links' => "select 'type:' || items.type_key from changed join items on items.id = changed.item_id",
        'terms' => "select unnest(array['catalogue', 'taxonomy:' || taxonomy_key]) from changed",
        'taxonomies' => "select unnest(array['catalogue', 'taxonomy:' || key]) from changed",
        'types' => "select unnest(array['catalogue', 'type:' || key]) from changed",
        'groups' => "select unnest(array['catalogue', 'people']) from changed",
        'group_user' => "select 'people' from changed",
        'modules' => "select 'modules' from changed",
        'placements' => "select 'pages' from changed",
        'pages' => "select 'pages' from changed",
        'media' => "select 'media' from changed",
    ];

    public function up(): void
    {
        $this->dropTriggers(self::BEFORE);
        DB::unprepared(<<<'SQL'
            drop function mark_content(text[]);
            drop table content_counters;
            drop sequence content_marks;

            create table content_marks (key text primary key, base numeric not null);
            create table content_mark_changes (key text not null, txid xid8 not null, number bigint not null, primary
                key (key, txid));

            create function mark_content(keys text[]) returns void language sql as $$
                insert into content_mark_changes (key, txid, number)
                select distinct key, pg_current_xact_id(), hashtextextended(gen_random_uuid()::text, 0) from
                    unnest(keys) as key where key is not null
                on conflict (key, txid) do nothing
            $$;

            -- An item that others link to is shown by its title in theirs, and only to those who may see it.
            create or replace function mark_linking_items() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(
                    select distinct 'type:' || items.type_key from changed join item_links on item_links.target_id =
                        changed.id join items on items.id = item_links.item_id
                ));
                return null;
            end $$;

            -- What visitors can learn of a person; that somebody signed in is nothing of it.
            create function mark_people() returns trigger language plpgsql as $$
            begin
                if tg_op <> 'UPDATE' or (old.name, old.slug, old.folded, old.email, old.active) is distinct from
                    (new.name, new.slug, new.folded, new.email, new.active) then
                    perform mark_content(array['people']);
                end if;
                return null;
            end $$;
            create trigger users_mark after insert or update or delete on users for each row execute function
                mark_people();
            SQL);
        foreach (self::KEYS as $table => $keys) {
            DB::unprepared(<<<SQL
                create function mark_{$table}() returns trigger language plpgsql as \$\$
                begin
                    perform mark_content(array({$keys}));
                    return null;
                end \$\$;
                create function mark_{$table}_update() returns trigger language plpgsql as \$\$
                begin
                    perform mark_content(array(with changed as (table before union all table after) {$keys}));
                    return null;
                end \$\$;
                create trigger {$table}_insert_mark after insert on
                    {$table} referencing new table as changed for each statement execute function mark_{$table}();
                create trigger {$table}_delete_mark after delete on
                    {$table} referencing old table as changed for each statement execute function mark_{$table}();
                create trigger {$table}_update_mark after update on
                    {$table} referencing old table as before new table as after for each statement execute function
                        mark_{$table}_update();
                SQL);
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::KEYS) as $table) {
            DB::unprepared("drop function mark_{$table}() cascade; drop function mark_{$table}_update() cascade");
        }
        DB::unprepared(<<<'SQL'
            drop function mark_people() cascade;
            drop function mark_content(text[]);
            drop table content_mark_changes;
            drop table content_marks;

            create table content_counters (key text primary key, mark text not null);
            create sequence content_marks;
            create function mark_content(keys text[]) returns void language sql as $$
                insert into content_counters (key, mark)
                select key, case current_setting('wellspring.bulk', true) when 'on' then 'transaction ' ||
                    pg_current_xact_id() else 'statement ' || nextval('content_marks') end
                from unnest(keys) as key order by key
                on conflict (key) do update set mark = excluded.mark where content_counters.mark <> excluded.mark
            $$;
            SQL);
        foreach (self::BEFORE as $table => $function) {
            $keys = str_replace("unnest(array['catalogue', ", '', str_replace('])', '', self::KEYS[$table]));
            DB::unprepared(
                "create function {$function}() returns trigger language plpgsql as \$\$ begin perform "
                    ."mark_content(array(select distinct key from ({$keys}) as keys(key))); return null; end \$\$",
            );
            foreach (['insert' => 'new', 'update' => 'new', 'delete' => 'old'] as $event => $rows) {
                DB::unprepared(
                    "create trigger {$table}_{$event}_mark after "
                        ."{$event} on {$table} referencing {$rows} table as changed for each statement execute "
                            ."function {$function}()",
                );
            }
        }
    }

    /** @param  array<string, string>  $functions  by table */
    private function dropTriggers(array $functions): void
    {
        foreach ($functions as $function) {
            DB::unprepared("drop function {$function}() cascade");
        }
    }
};
