<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The site's settings, kept as the frame and the menus are. What is made of types and taxonomies is made of them too,
 * so they share the mark `catalogue`. The database orders and searches text in the language that they say.
 */
return new class extends Migration
{
    private const MARK = <<<'SQL'
        create or replace function mark_site_definitions() returns trigger language plpgsql as $$
        begin
            if tg_op = 'UPDATE' and (old.kind, old.key, old.live) is not distinct from
                (new.kind, new.key, new.live) then
                return null;
            end if;
            perform mark_content(array[
                case old.kind %1$s when 'frame' then 'frame' else 'menu:' || old.key end,
                case new.kind %1$s when 'frame' then 'frame' else 'menu:' || new.key end
            ]);
            return null;
        end $$
        SQL;

    public function up(): void
    {
        DB::unprepared(sprintf(self::MARK, "when 'settings' then 'catalogue'"));
        DB::unprepared(<<<'SQL'
            alter table site_definitions drop constraint site_definitions_kind_check,
                add constraint site_definitions_kind_check check (kind in ('frame', 'menu', 'settings'));

            create function set_text_order(locale text) returns void language plpgsql as $$
            declare
                index record;
            begin
                alter collation wellspring_text rename to wellspring_text_before;
                execute format(
                    'create collation wellspring_text (provider = icu, locale = %L, deterministic = false)',
                    locale || '-u-kn-true'
                );
                for index in
                    select indexrelid::regclass::text as name, pg_get_indexdef(indexrelid) as definition from pg_index
                    where pg_get_indexdef(indexrelid) like '%wellspring_text_before%'
                loop
                    execute 'drop index ' || index.name;
                    execute replace(index.definition, 'wellspring_text_before', 'wellspring_text');
                end loop;
                drop collation wellspring_text_before;
            end $$;

            create index pages_in_menus on pages (position, id) where jsonb_exists(live, 'menu') and removed_at is null;

            -- The stemmer of words; null: words are searched as they are.
            create function set_text_search(stemmer text) returns void language plpgsql as $$
            begin
                alter text search dictionary wellspring_words rename to wellspring_words_before;
                execute 'create text search dictionary wellspring_words (template = ' ||
                    coalesce(format('snowball, language = %L', stemmer), 'simple') || ')';
                alter text search configuration wellspring
                    alter mapping replace wellspring_words_before with wellspring_words;
                drop text search dictionary wellspring_words_before;
                update items set words = words;
                reindex index terms_search;
            end $$;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(sprintf(self::MARK, ''));
        DB::unprepared(<<<'SQL'
            drop index pages_in_menus;
            drop function set_text_order(text);
            drop function set_text_search(text);
            delete from site_definitions where kind = 'settings';
            alter table site_definitions drop constraint site_definitions_kind_check,
                add constraint site_definitions_kind_check check (kind in ('frame', 'menu'));
            SQL);
    }
};
