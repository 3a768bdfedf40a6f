<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A write of a file's description, a person or a group says which revision it started from. */
return new class extends Migration
{
    private const TABLES = ['media', 'users', 'groups'];

    public function up(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, fn (Blueprint $table) => $table->integer('revision')->default(1));
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, fn (Blueprint $table) => $table->dropColumn('revision'));
        }
    }
};
