<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the demo site made, each in the state in which it was made, so that it can be removed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('demo_records', function (Blueprint $table): void {
            $table->text('kind');
            $table->bigInteger('record_id');
            $table->integer('revision')->nullable();
            $table->primary(['kind', 'record_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('demo_records');
    }
};
