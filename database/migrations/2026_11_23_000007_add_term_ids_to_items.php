<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The ids of an item's terms beside the item: a scan that counts after every rule need not look elsewhere for each of
 * very many items. The database keeps them itself, so that no way of writing can forget to.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table items add column term_ids bigint[] not null default '{}';
            update items set term_ids = had.ids from (select item_id, array_agg(term_id order by term_id) as ids from
                item_term group by item_id) as had where had.item_id = items.id;
            create index items_terms on items using gin (term_ids);
            create function keep_term_ids() returns trigger language plpgsql as $$
            begin
                update items set term_ids = has.ids
                from (
                    select touched.item_id, coalesce(array_agg(item_term.term_id order by item_term.term_id) filter
                        (where item_term.term_id is not null), '{}') as ids
                    from (select distinct item_id from changed) as touched left join item_term on item_term.item_id =
                        touched.item_id
                    group by touched.item_id
                ) as has
                where items.id = has.item_id and items.term_ids <> has.ids;
                return null;
            end $$;
            SQL);
        foreach (['insert' => 'new', 'update' => 'new', 'delete' => 'old'] as $event => $rows) {
            DB::unprepared(
                "create trigger item_term_{$event}_ids after "
                    ."{$event} on item_term referencing {$rows} table as changed for each statement execute function "
                        .'keep_term_ids()',
            );
        }
    }

    public function down(): void
    {
        DB::unprepared('drop function keep_term_ids() cascade; alter table items drop column term_ids');
    }
};
