<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Videos of other sites, as their sites described them. A page that shows one is made again when it becomes known. */
return new class extends Migration
{
    /** The thumbnail of a video is for everyone. */
    private const OPEN = ' or exists (select from videos where videos.picture = any(variants))';

    public function up(): void
    {
        Schema::create('videos', function (Blueprint $table): void {
            $table->id();
            $table->text('address')->unique();
            $table->text('frame')->nullable();
            $table->integer('width')->default(16);
            $table->integer('height')->default(9);
            $table->text('title')->default('');
            $table->text('picture')->nullable();
            $table->integer('tries')->default(0);
            $table->text('fault')->nullable();
        });
        DB::unprepared(<<<'SQL'
            create function mark_videos() returns trigger language plpgsql as $$
            begin
                perform mark_content(array['media']);
                return null;
            end $$;
            create trigger videos_mark after update or delete on videos for each statement execute function
                mark_videos();
            SQL);
        $this->open(self::OPEN);
    }

    public function down(): void
    {
        $this->open('');
        Schema::drop('videos');
        DB::unprepared('drop function mark_videos()');
    }

    /** @param  string  $more  what else opens a file to everyone */
    private function open(string $more): void
    {
        DB::unprepared(<<<SQL
            create or replace function media_is_open(name text, audiences text[], at timestamptz) returns boolean
                language plpgsql stable parallel safe as
                \$\$
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
                ){$more};
                end
                \$\$;
            SQL);
    }
};
