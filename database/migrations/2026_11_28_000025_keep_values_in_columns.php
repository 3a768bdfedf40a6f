<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Short values of an item's fields in columns of their own: an index can hold them, and records be counted without the
 * table. `value_columns` lists which fields of a type have them, in order; an empty text keeps a place free. The
 * database keeps them itself.
 */
return new class extends Migration
{
    private const COLUMNS = 16;

    public function up(): void
    {
        $last = self::COLUMNS;
        $columns = implode(', ', $this->each('value_%d'));
        $added = implode(', ', $this->each('add column value_%d text'));
        $assigned = implode(' ', $this->each('new.value_%1$d := new.fields ->> names[%1$d];'));
        DB::unprepared(<<<SQL
            create table value_columns (
                type_key text primary key references types (key) on delete cascade,
                fields text[] not null check (cardinality(fields) <= {$last})
            );
            create function keep_values() returns trigger language plpgsql as $$
            declare
                names text[];
            begin
                select value_columns.fields into names from value_columns where type_key = new.type_key;
                {$assigned}
                return new;
            end $$;
            -- A row of an index takes 2,704 bytes. An id of a term takes 8, and up to 20 more as text.
            create function fits_index(audience text[], term_ids bigint[], held text[]) returns boolean
                language sql immutable parallel safe as
                $$
                select cardinality(term_ids) * 28 + cardinality(audience) * 8
                    + octet_length(array_to_string(audience || held, '')) <= 1500
                $$;
            alter table items {$added}, add column fits_index boolean not null
                generated always as (fits_index(audience, term_ids, array[{$columns}])) stored;
            create index items_unfit on items (type_key) where not fits_index;
            create trigger items_keep_values before insert or update of fields, type_key on items
                for each row execute function keep_values();

            -- Of the fields that come, go or move to another place, items are written anew.
            create function rewrite_values() returns trigger language plpgsql as $$
            declare
                before text[] := case when tg_op = 'INSERT' then '{}' else old.fields end;
                after text[] := case when tg_op = 'DELETE' then '{}' else new.fields end;
                moved text[] := array(
                    select one.field from unnest(before || after) as one(field)
                    where array_position(before, one.field) is distinct from array_position(after, one.field)
                );
            begin
                if moved <> '{}' then
                    update items set fields = items.fields
                    where items.type_key = case when tg_op = 'DELETE' then old.type_key else new.type_key end
                        and jsonb_exists_any(items.fields, moved);
                end if;
                return null;
            end $$;
            create trigger value_columns_rewrite after insert or update or delete on value_columns
                for each row execute function rewrite_values();
            SQL);
    }

    public function down(): void
    {
        $dropped = implode(', ', $this->each('drop column value_%d'));
        DB::unprepared(<<<SQL
            drop table value_columns;
            drop function rewrite_values();
            alter table items drop column fits_index;
            drop function fits_index(text[], bigint[], text[]);
            drop function keep_values() cascade;
            alter table items {$dropped};
            SQL);
    }

    /** @return list<string> the form, written for each column */
    private function each(string $form): array
    {
        return array_map(fn (int $place): string => sprintf($form, $place), range(1, self::COLUMNS));
    }
};
