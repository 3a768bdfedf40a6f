<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** An account may do the least unless somebody says more. What was done to stored content once is noted. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->text('role')->default('member')->change());
        Schema::create('upgrades', function (Blueprint $table): void {
            $table->text('name')->primary();
            $table->timestampTz('done_at', 0);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('upgrades');
        Schema::table('users', fn (Blueprint $table) => $table->text('role')->default('manager')->change());
    }
};
