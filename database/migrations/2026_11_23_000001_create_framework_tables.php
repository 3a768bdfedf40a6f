<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // `migrate:fresh` drops tables alone. Functions and collations of before would stop the next migrations.
        DB::unprepared(<<<'SQL'
            do $$ declare one record; begin
                for one in select oid::regprocedure as name from pg_proc
                    where pronamespace = current_schema()::regnamespace and not exists (
                        select from pg_depend where objid = pg_proc.oid and deptype = 'e'
                    )
                loop execute format('drop function if exists %s cascade', one.name); end loop;
                for one in select collname as name from pg_collation
                    where collnamespace = current_schema()::regnamespace
                loop execute format('drop collation %I cascade', one.name); end loop;
                for one in select cfgname as name from pg_ts_config
                    where cfgnamespace = current_schema()::regnamespace
                loop execute format('drop text search configuration %I cascade', one.name); end loop;
                for one in select dictname as name from pg_ts_dict
                    where dictnamespace = current_schema()::regnamespace
                    and not exists (select from pg_depend where objid = pg_ts_dict.oid and deptype = 'e')
                loop execute format('drop text search dictionary %I cascade', one.name); end loop;
            end $$;
            SQL);
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->text('name');
            $table->text('email')->unique();
            $table->text('password');
            $table->rememberToken();
            $table->timestampsTz(0);
        });
        Schema::create('sessions', function (Blueprint $table): void {
            $table->text('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->text('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', function (Blueprint $table): void {
            $table->text('key')->primary();
            $table->text('value');
            $table->integer('expiration')->index();
        });
        Schema::create('cache_locks', function (Blueprint $table): void {
            $table->text('key')->primary();
            $table->text('owner');
            $table->integer('expiration')->index();
        });
    }

    public function down(): void
    {
        foreach (['cache_locks', 'cache', 'sessions', 'users'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
