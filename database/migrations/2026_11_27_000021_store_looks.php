<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Looks are kept as the site's settings are, and share their mark: whole pages are made under both. */
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
                case old.kind when 'settings' then 'catalogue' %1$s when 'frame' then 'frame'
                    else 'menu:' || old.key end,
                case new.kind when 'settings' then 'catalogue' %1$s when 'frame' then 'frame'
                    else 'menu:' || new.key end
            ]);
            return null;
        end $$
        SQL;

    public function up(): void
    {
        DB::unprepared(sprintf(self::MARK, "when 'look' then 'catalogue'"));
        DB::unprepared(<<<'SQL'
            alter table site_definitions drop constraint site_definitions_kind_check,
                add constraint site_definitions_kind_check check (kind in ('frame', 'menu', 'settings', 'look'));
            create unique index site_definitions_one_live_look on site_definitions (kind)
                where kind = 'look' and live is not null;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            drop index site_definitions_one_live_look;
            delete from site_definitions where kind = 'look';
            SQL);
        DB::unprepared(sprintf(self::MARK, ''));
        DB::unprepared(<<<'SQL'
            alter table site_definitions drop constraint site_definitions_kind_check,
                add constraint site_definitions_kind_check check (kind in ('frame', 'menu', 'settings'));
            SQL);
    }
};
