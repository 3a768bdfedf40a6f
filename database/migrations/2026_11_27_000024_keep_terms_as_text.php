<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** An item's terms as one text, `3,17`, by which records are counted: writing the list out for each takes longer. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create function joined_ids(ids bigint[]) returns text language sql immutable parallel safe as
                $$ select array_to_string(ids, ',') $$;
            alter table items add column term_list text not null generated always as (joined_ids(term_ids)) stored;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('alter table items drop column term_list; drop function joined_ids(bigint[])');
    }
};
