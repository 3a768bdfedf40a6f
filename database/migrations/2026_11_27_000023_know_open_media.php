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
            create index terms_media on terms using gin (media_names);
            alter table modules add column media_names text[] not null generated always as (
                media_names(null, draft::jsonb) || media_names(null, live::jsonb)
            ) stored;
            alter table pages add column media_names text[] not null generated always as (
                media_names(null, draft) || media_names(null, live)
            ) stored;
            alter table site_definitions add column media_names text[] not null generated always as (
                media_names(null, draft) || media_names(null, live)
            ) stored;

            -- What may be said of a file: a text may hold a picture in its other form, for browsers without WebP.
            create function media_forms(name text) returns text[] language sql immutable parallel safe as
                $$
                select case when name like '%.webp'
                    then array[name, regexp_replace(name, 'webp$', 'jpg'), regexp_replace(name, 'webp$', 'png')]
                    else array[name] end
                $$;

            -- Whether something uses the file that one of the audiences may see at the instant: an item, a page, or
            -- what is for everyone (terms, modules, the frame, menus, settings, looks). Drafts use nothing here.
            create function media_is_open(name text, audiences text[], at timestamptz) returns boolean
                language sql stable parallel safe as
                $$
                select exists (
                    select from items where items.media_names && media_forms($1) and items.status = 'published'
                        and items.publish_at <= $3 and (items.expire_at is null or items.expire_at > $3)
                        and items.audience && $2
                ) or exists (
                    select from terms where terms.media_names && media_forms($1)
                ) or exists (
                    select from pages where pages.media_names && media_forms($1) and pages.removed_at is null
                        and media_names(null, pages.live) && media_forms($1)
                        and jsonb_exists_any(coalesce(pages.live -> 'audience', '["everyone"]'), $2)
                        and coalesce((pages.live ->> 'from')::timestamptz <= $3, true)
                        and coalesce((pages.live ->> 'until')::timestamptz > $3, true)
                ) or exists (
                    select from modules where modules.media_names && media_forms($1) and modules.removed_at is null
                        and media_names(null, modules.live::jsonb) && media_forms($1)
                ) or exists (
                    select from site_definitions where site_definitions.media_names && media_forms($1)
                        and media_names(null, site_definitions.live) && media_forms($1)
                )
                $$;
            SQL);
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            drop function media_is_open(text, text[], timestamptz);
            drop function media_forms(text);
            alter table site_definitions drop column media_names;
            alter table pages drop column media_names;
            alter table modules drop column media_names;
            alter table terms drop column media_names;
            create index terms_pictures on terms (picture) where picture is not null;
            SQL);
    }
};
