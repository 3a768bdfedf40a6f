<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Where items and terms were found before: each slug that one had, until another takes it; and each address that the
 * items of a type had.
 */
return new class extends Migration
{
    /** By table: the column with the key of the type or the taxonomy that its rows belong to. */
    private const TABLES = ['items' => 'type_key', 'terms' => 'taxonomy_key'];

    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create table moved_slugs (
                record_table text not null check (record_table in ('items', 'terms')),
                parent_key text not null,
                slug text not null,
                record_id bigint not null,
                primary key (record_table, parent_key, slug)
            );
            create table moved_types (address text primary key, type_key text not null);

            create function remember_type_address() returns trigger language plpgsql as $$
            begin
                if (old.definition #>> '{x-wellspring,address}') <> (new.definition #>> '{x-wellspring,address}') then
                    insert into moved_types (address, type_key)
                        values (old.definition #>> '{x-wellspring,address}', new.key)
                        on conflict (address) do update set type_key = excluded.type_key;
                    delete from moved_types where address = new.definition #>> '{x-wellspring,address}';
                end if;
                return null;
            end $$;
            create trigger types_remember_address after update on types for each row execute function
                remember_type_address();
            SQL);
        foreach (self::TABLES as $table => $parentKey) {
            DB::unprepared(<<<SQL
                create function remember_slug_of_{$table}() returns trigger language plpgsql as \$\$
                begin
                    insert into moved_slugs (record_table, parent_key, slug, record_id)
                        values ('{$table}', old.{$parentKey}, old.slug, old.id)
                        on conflict (record_table, parent_key, slug) do update set record_id = excluded.record_id;
                    delete from moved_slugs
                        where record_table = '{$table}' and parent_key = new.{$parentKey} and slug = new.slug;
                    return null;
                end \$\$;
                create trigger {$table}_remember_slug after update of slug on {$table} for each row
                    when (old.slug <> new.slug) execute function remember_slug_of_{$table}();

                -- Many rows at once are looked at together.
                create function take_slugs_of_{$table}() returns trigger language plpgsql as \$\$
                begin
                    delete from moved_slugs using added
                        where record_table = '{$table}' and parent_key = added.{$parentKey}
                            and moved_slugs.slug = added.slug;
                    return null;
                end \$\$;
                create trigger {$table}_take_slugs after insert on {$table} referencing new table as added
                    for each statement execute function take_slugs_of_{$table}();
                SQL);
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::TABLES) as $table) {
            DB::unprepared("drop function remember_slug_of_{$table}() cascade; drop function take_slugs_of_{$table}() "
                .'cascade');
        }
        DB::unprepared('drop function remember_type_address() cascade; drop table moved_slugs; drop table moved_types');
    }
};
