<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which job of the queue does an import or a task, and the jobs that failed for good. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['imports', 'tasks'] as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->bigInteger('job_id')->nullable());
        }
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->text('payload');
            $table->text('exception');
            $table->timestampTz('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        Schema::drop('failed_jobs');
        foreach (['imports', 'tasks'] as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->dropColumn('job_id'));
        }
    }
};
