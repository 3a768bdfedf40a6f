<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('modules', function (Blueprint $table): void {
            $table->id();
            $table->text('key')->unique();
            $table->json('draft');
            $table->integer('revision')->default(1);
            $table->json('live')->nullable();
            $table->timestampTz('published_at', 0)->nullable();
            $table->timestampsTz(0);
        });
        Schema::create('module_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('module_id')->constrained('modules')->cascadeOnDelete();
            $table->integer('number');
            $table->json('definition');
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('published_at', 0);
            $table->unique(['module_id', 'number']);
        });
        Schema::create('pages', function (Blueprint $table): void {
            $table->id();
            $table->text('address')->unique();
            $table->text('title');
            $table->text('intro')->default('');
            $table->integer('position')->default(0);
            $table->timestampsTz(0);
        });
        Schema::create('placements', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('page_id')->constrained('pages')->cascadeOnDelete();
            $table->foreignId('module_id')->constrained('modules')->cascadeOnDelete();
            $table->integer('position')->default(0);
            $table->unique(['page_id', 'module_id']);
        });
    }

    public function down(): void
    {
        foreach (['placements', 'pages', 'module_versions', 'modules'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
