<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Migrations that were renamed after sites ran them. Without this list they would run again. */
final class RenamedMigrations
{
    private const NAMES = [
        '2026_11_23_000001_framework' => '2026_11_23_000001_create_framework_tables',
        '2026_11_23_000002_content' => '2026_11_23_000002_create_content_tables',
        '2026_11_23_000003_modules' => '2026_11_23_000003_create_module_tables',
        '2026_11_23_000004_counters' => '2026_11_23_000004_create_content_marks',
        '2026_11_23_000005_keeping_content' => '2026_11_23_000005_add_revisions_imports_drafts',
        '2026_11_23_000006_the_whole_query' => '2026_11_23_000006_add_search_views_module_state',
        '2026_11_23_000007_terms_beside_items' => '2026_11_23_000007_add_term_ids_to_items',
        '2026_11_25_000008_faults_of_drafts' => '2026_11_25_000008_add_faults_to_modules',
        '2026_11_26_000009_marks_that_nobody_waits_for' => '2026_11_26_000009_make_content_marks_append_only',
        '2026_11_26_000010_tasks' => '2026_11_26_000010_create_tasks_table',
        '2026_11_26_000011_least_role_first' => '2026_11_26_000011_change_default_role',
        '2026_11_26_000012_sessions_and_audit' => '2026_11_26_000012_add_session_keys_create_audit_entries',
        '2026_11_26_000013_names_of_media_in_items' => '2026_11_26_000013_add_media_names_to_items',
    ];

    /** Call this before migrations are searched. */
    public static function apply(): void
    {
        if (! Schema::hasTable('migrations')) {
            return;
        }
        foreach (self::NAMES as $old => $new) {
            DB::table('migrations')->where('migration', $old)->update(['migration' => $new]);
        }
    }
}
