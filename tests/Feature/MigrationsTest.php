<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Providers\RenamedMigrations;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Migrations go up, down and up again, in a database of their own that bin/test has made. */
final class MigrationsTest extends TestCase
{
    public function test_what_goes_up_comes_down_and_goes_up_the_same(): void
    {
        try {
            config([
                'database.connections.fresh' => ['database' => 'wellspring_migrations']
                    + (array) config('database.connections.pgsql'),
            ]);
            // It belongs to the application's role, which may make none itself.
            DB::connection('fresh')->unprepared('drop schema public cascade; create schema public');
            $do = fn (string $command): int => Artisan::call($command, ['--database' => 'fresh', '--force' => true]);
            $this->assertSame(0, $do('migrate'));
            $first = $this->said();
            $this->assertContains('items.folded jsonb', $first);
            $this->assertSame(0, $do('migrate:rollback'));
            $this->assertSame(
                [],
                array_filter($this->said(), fn (string $one): bool => ! str_contains($one, 'migrations')),
            );
            $this->assertSame(0, $do('migrate'));
            $this->assertSame($first, $this->said());
            $this->assertSame(0, $do('migrate:fresh'), 'an operator who starts over');
            $this->assertSame($first, $this->said());
        } finally {
            DB::purge('fresh');
        }
    }

    public function test_a_migration_that_ran_under_its_old_name_is_not_run_again(): void
    {
        $now = DB::table('migrations')->orderBy('id')->pluck('migration')->all();
        DB::table('migrations')->where('migration', '2026_11_23_000006_add_search_views_module_state')
            ->update(['migration' => '2026_11_23_000006_the_whole_query']);
        RenamedMigrations::apply();
        $this->assertSame($now, DB::table('migrations')->orderBy('id')->pluck('migration')->all());
        $this->assertTrue(Schema::hasTable('table_presets'));
    }

    /** @return list<string> the columns, triggers, indexes and functions that are there */
    private function said(): array
    {
        $rows = DB::connection('fresh')->select(<<<'SQL'
            select table_name || '.' || column_name || ' ' || data_type as said
            from information_schema.columns where table_schema = 'public'
            union all select 'trigger ' || trigger_name || ' on ' || event_object_table || ' ' || event_manipulation
            from information_schema.triggers where trigger_schema = 'public'
            union all select 'index ' || indexname from pg_indexes where schemaname = 'public' and tablename <>
                'migrations'
            union all select 'function ' || proname from pg_proc
            where pronamespace = 'public'::regnamespace and not exists (
                select 1 from pg_depend where pg_depend.objid = pg_proc.oid and pg_depend.deptype = 'e'
            )
            order by 1
            SQL);

        return array_values(array_map(fn (\stdClass $row): string => (string) $row->said, $rows));
    }
}
