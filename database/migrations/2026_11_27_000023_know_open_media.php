<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The names of the files that terms, modules, pages and the site's definitions use, and who may see a file. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            drop index terms_pictures;
            alter table terms add column media_names text[] not null generated always as (
                media_names(description, fields) || case when picture is null then '{}'::text[] else array[picture] end
            ) stored;
            create index terms_media on terms using gin (media_names) with (fastupdate = off);
            alter table modules add column media_names text[] not null generated always as (
                media_names(null, draft::jsonb) || media_names(null, live::jsonb)
            ) stored;
            alter table pages add column media_names text[] not null generated always as (
                media_names(null, draft) || media_names(null, live)
            ) stored;
            alter table site_definitions add column media_names text[] not null generated always as (
                media_names(null, draft) || media_names(null, live)
            ) stored;

            create index modules_media on modules using gin (media_names) with (fastupdate = off);
            create index pages_media on pages using gin (media_names) with (fastupdate = off);
            -- A list of entries that wait would be read whole for each file that is asked for.
            alter index items_media set (fastupdate = off);

            -- The names of a file: a text may hold the variant of a picture for browsers without WebP.
            create function media_variants(name text) returns text[] language sql immutable parallel safe as
                $$
                select case when name like '%.webp'
                    then array[name, regexp_replace(name, 'webp$', 'jpg'), regexp_replace(name, 'webp$', 'png')]
                    else array[name] end
                $$;

            -- Whether something uses the file that one of the audiences may see at the instant: an item, a page, or
            -- what is for everyone (terms, modules, the frame, menus, settings, looks). Drafts use nothing here.
            -- In PL/pgSQL, for a connection that stays plans it once.
            create function media_is_open(name text, audiences text[], at timestamptz) returns boolean
                language plpgsql stable parallel safe as
                $$
                declare
                    variants text[] := media_variants(name);
                begin
                return exists (
                    -- Materialized: for the first row alone, a scan of all items looks cheap to the planner.
                    with used as materialized (
                        select status, publish_at, expire_at, audience from items where items.media_names && variants
                    )
                    select from used where used.status = 'published'
                        and used.publish_at <= at and (used.expire_at is null or used.expire_at > at)
                        and used.audience && audiences
                ) or exists (
                    select from terms where terms.media_names && variants
                ) or exists (
                    select from pages where pages.media_names && variants and pages.removed_at is null
                        and media_names(null, pages.live) && variants
                        and jsonb_exists_any(coalesce(pages.live -> 'audience', '["everyone"]'), audiences)
                        and coalesce((pages.live ->> 'from')::timestamptz <= at, true)
                        and coalesce((pages.live ->> 'until')::timestamptz > at, true)
                ) or exists (
                    select from modules where modules.media_names && variants and modules.removed_at is null
                        and media_names(null, modules.live::jsonb) && variants
                ) or exists (
                    select from site_definitions where site_definitions.media_names && variants
                        and media_names(null, site_definitions.live) && variants
                );
                end
                $$;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            drop function media_is_open(text, text[], timestamptz);
            drop function media_variants(text);
            alter index items_media reset (fastupdate);
            alter table site_definitions drop column media_names;
            alter table pages drop column media_names;
            alter table modules drop column media_names;
            alter table terms drop column media_names;
            create index terms_pictures on terms (picture) where picture is not null;
            SQL);
    }
};
