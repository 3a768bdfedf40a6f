<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        $locale = str_replace('_', '-', config()->string('site.locale')).'-u-kn-true';
        if (preg_match('/^[A-Za-z0-9-]+$/D', $locale) !== 1) {
            throw new InvalidArgumentException("SITE_LOCALE: expected a locale such as en-GB, found “{$locale}”.");
        }
        // Not deterministic: text that ICU holds to be equal must tie here too, and then the id decides.
        DB::statement("create collation wellspring_text (provider = icu, locale = '{$locale}', deterministic = false)");

        Schema::create('types', function (Blueprint $table): void {
            $table->text('key')->primary();
            // json, not jsonb: the order of the fields is the manager's.
            $table->json('definition');
            $table->integer('position')->default(0);
            $table->timestampsTz(0);
        });
        Schema::create('taxonomies', function (Blueprint $table): void {
            $table->text('key')->primary();
            $table->text('label');
            $table->boolean('tree')->default(false);
            $table->timestampsTz(0);
        });
        Schema::create('terms', function (Blueprint $table): void {
            $table->id();
            $table->text('taxonomy_key');
            $table->foreignId('parent_id')->nullable()->constrained('terms')->restrictOnDelete();
            $table->text('slug');
            $table->text('name');
            $table->integer('position')->default(0);
            $table->timestampsTz(0);
            $table->foreign('taxonomy_key')->references('key')->on('taxonomies')->cascadeOnDelete();
            $table->unique(['taxonomy_key', 'slug']);
        });
        Schema::create('items', function (Blueprint $table): void {
            $table->id();
            $table->text('type_key');
            $table->text('slug');
            $table->text('title');
            $table->text('status')->default('published');
            $table->timestampTz('publish_at', 0)->nullable();
            $table->timestampTz('expire_at', 0)->nullable();
            $table->text('audience')->default('everyone');
            $table->boolean('lead')->default(false);
            $table->text('text')->nullable();
            $table->jsonb('fields')->default('{}');
            $table->jsonb('folded')->default('{}');
            $table->integer('revision')->default(1);
            $table->timestampsTz(0);
            $table->foreign('type_key')->references('key')->on('types')->restrictOnDelete();
            $table->unique(['type_key', 'slug']);
        });
        DB::statement("create index items_newest on items (type_key, publish_at desc, id) where status = 'published'");
        Schema::create('item_term', function (Blueprint $table): void {
            $table->foreignId('term_id')->constrained('terms')->restrictOnDelete();
            $table->foreignId('item_id')->constrained('items')->cascadeOnDelete();
            $table->primary(['term_id', 'item_id']);
            $table->index('item_id');
        });
        Schema::create('media', function (Blueprint $table): void {
            $table->id();
            $table->text('name')->unique();
            $table->text('mime');
            $table->integer('width');
            $table->integer('height');
            $table->integer('bytes');
            $table->text('alt')->default('');
            $table->timestampsTz(0);
        });
    }

    public function down(): void
    {
        foreach (['media', 'item_term', 'items', 'terms', 'taxonomies', 'types'] as $table) {
            Schema::dropIfExists($table);
        }
        DB::statement('drop collation if exists wellspring_text');
    }
};
