<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The names of the files that an item uses, in its fields and its texts, kept by the database beside the item. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create function media_names(body text, fields jsonb) returns text[] language sql immutable parallel safe as
                $$
                select coalesce(array_agg(distinct found[1]), '{}') from (
                    select regexp_matches(coalesce(body, '') || ' ' || fields::text,
                        '/media/(?:w[0-9]+/)?([a-z0-9]+(?:-[a-z0-9]+)*\.[a-z0-9]+)', 'g') as found
                    union all
                    select regexp_matches(fields::text, '"([a-z0-9]+(?:-[a-z0-9]+)*\.[a-z0-9]+)"', 'g')
                ) as names
            $$;
            alter table items add column media_names text[] generated always as (media_names(text, fields)) stored;
            create index items_media on items using gin (media_names);
            create index terms_pictures on terms (picture) where picture is not null;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(
            'drop index terms_pictures; alter table items drop column media_names; drop function media_names(text, '
                .'jsonb)',
        );
    }
};
