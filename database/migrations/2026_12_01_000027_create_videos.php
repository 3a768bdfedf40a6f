<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Videos of other sites, as their sites described them. A page that shows one is made again when it becomes known. */
return new class extends Migration
{
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
    }

    public function down(): void
    {
        Schema::drop('videos');
        DB::unprepared('drop function mark_videos()');
    }
};
