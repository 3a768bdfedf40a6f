<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Long work that is done beside the requests, with its progress and its result. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('tasks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->text('kind');
            $table->text('title');
            $table->json('input');
            $table->text('state')->default('waiting');
            $table->integer('done')->default(0);
            $table->integer('total')->default(0);
            $table->json('result')->nullable();
            $table->json('problems')->default('[]');
            $table->timestampsTz(0);
            $table->index(['user_id', 'state']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('tasks');
    }
};
