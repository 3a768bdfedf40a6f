<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** An item is for any number of audiences. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table items alter column audience drop default;
            alter table items alter column audience type text[] using array[audience];
            alter table items alter column audience set default '{everyone}';
            SQL);
    }

    /** Of several audiences, the first is kept. */
    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            alter table items alter column audience drop default;
            alter table items alter column audience type text using audience[1];
            alter table items alter column audience set default 'everyone';
            SQL);
    }
};
