<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Marks for each page (`page:ID`: the page and what is placed on it) and each module (`module:KEY`: what visitors get
 * of it; a draft changes nothing for them), beside those of all pages and all modules.
 */
return new class extends Migration
{
    /** By table: which keys its rows belong to, of the transition table `changed`. */
    private const KEYS = [
        'pages' => "select unnest(array['pages', 'page:' || id]) from changed",
        'placements' => "select unnest(array['pages', 'page:' || page_id]) from changed",
    ];

    private const BEFORE = "select 'pages' from changed";

    public function up(): void
    {
        foreach (self::KEYS as $table => $keys) {
            $this->replace($table, $keys);
        }
        DB::unprepared(<<<'SQL'
            create function mark_live_modules() returns trigger language plpgsql as $$
            begin
                if tg_op = 'UPDATE' and (old.key, old.live::text, old.off, old.removed_at) is not distinct from
                    (new.key, new.live::text, new.off, new.removed_at) then
                    return null;
                end if;
                -- Of a row that is added there is no old one, and of one that is deleted no new one: a null key marks
                -- nothing.
                perform mark_content(array['module:' || old.key, 'module:' || new.key]);
                return null;
            end $$;
            create trigger modules_live_mark after insert or update or delete on modules for each row execute function
                mark_live_modules();
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('drop function mark_live_modules() cascade');
        foreach (array_keys(self::KEYS) as $table) {
            $this->replace($table, self::BEFORE);
        }
    }

    private function replace(string $table, string $keys): void
    {
        DB::unprepared(<<<SQL
            create or replace function mark_{$table}() returns trigger language plpgsql as \$\$
            begin
                perform mark_content(array({$keys}));
                return null;
            end \$\$;
            create or replace function mark_{$table}_update() returns trigger language plpgsql as \$\$
            begin
                perform mark_content(array(with changed as (table before union all table after) {$keys}));
                return null;
            end \$\$;
            SQL);
    }
};
