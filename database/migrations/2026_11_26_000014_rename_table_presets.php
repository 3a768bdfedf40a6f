<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The states of tables that people saved, under the name that the field has for them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('alter table views_of_content rename to table_presets');
    }

    public function down(): void
    {
        DB::unprepared('alter table table_presets rename to views_of_content');
    }
};
