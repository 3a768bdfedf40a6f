<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Providers\RenamedMigrations;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Migrations go up, down and up again, in a schema of their own. */
final class MigrationsTest extends TestCase
{
    public function test_what_goes_up_comes_down_and_goes_up_the_same(): void
    {
        DB::unprepared('create schema migrated; set local search_path to migrated');
        config(['database.connections.pgsql.search_path' => 'migrated']);
        $this->assertSame(0, Artisan::call('migrate', ['--force' => true]));
        $first = $this->columns();
        $this->assertContains('items.folded jsonb', $first);
        $this->assertSame(0, Artisan::call('migrate:rollback', ['--force' => true]));
        $this->assertSame(['migrations.batch integer', 'migrations.id integer', 'migrations.migration character varying'], $this->columns());
        $this->assertSame(0, Artisan::call('migrate', ['--force' => true]));
        $this->assertSame($first, $this->columns());
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

    /** @return list<string> of the schema at hand, and the triggers and functions beside */
    private function columns(): array
    {
        $rows = DB::select(<<<'SQL'
            select table_name || '.' || column_name || ' ' || data_type as said
            from information_schema.columns where table_schema = current_schema()
            union all select 'trigger ' || trigger_name || ' on ' || event_object_table || ' ' || event_manipulation
            from information_schema.triggers where trigger_schema = current_schema()
            union all select 'index ' || indexname from pg_indexes where schemaname = current_schema() and tablename <> 'migrations'
            union all select 'function ' || proname from pg_proc where pronamespace = current_schema()::regnamespace
            order by 1
            SQL);

        return array_values(array_map(fn (\stdClass $row): string => (string) $row->said, $rows));
    }
}
