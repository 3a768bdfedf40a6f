<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What ends all other sessions of a person, under every session driver; and a trail of who did what. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->text('session_key')->default(''));
        // No foreign key: the trail outlives the account.
        Schema::create('audit_entries', function (Blueprint $table): void {
            $table->id();
            $table->timestampTz('at', 0)->index();
            $table->bigInteger('user_id')->nullable()->index();
            $table->text('who');
            $table->text('action')->index();
            $table->text('subject');
            $table->json('details')->default('{}');
            $table->text('origin');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('audit_entries');
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('session_key'));
    }
};
