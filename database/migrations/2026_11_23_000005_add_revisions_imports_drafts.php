<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** People and their groups, what items link to, every revision, what can be undone, drafts, files, and imports. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->text('role')->default('manager');
            $table->boolean('active')->default(true);
            $table->text('password')->nullable()->change();
            $table->text('invitation')->nullable()->unique();
            $table->timestampTz('invited_until', 0)->nullable();
            $table->timestampTz('signed_in_at', 0)->nullable();
        });
        Schema::create('groups', function (Blueprint $table): void {
            $table->id();
            $table->text('key')->unique();
            $table->text('name');
            $table->timestampsTz(0);
        });
        Schema::create('group_user', function (Blueprint $table): void {
            $table->foreignId('group_id')->constrained('groups')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained('users')->cascadeOnDelete();
            $table->primary(['group_id', 'user_id']);
            $table->index('user_id');
        });
        Schema::table('items', function (Blueprint $table): void {
            $table->foreignId('author_id')->nullable()->index()->constrained('users')->nullOnDelete();
            $table->integer('position')->nullable();
        });
        DB::statement('create index items_by_hand on items (type_key, position) where position is not null');
        // The table's quick search and its usual orders stay quick at 100,000 items.
        DB::statement('create extension if not exists pg_trgm');
        DB::statement("create index items_title_words on items using gin ((folded->>'title') gin_trgm_ops)");
        DB::statement('create index items_changed on items (type_key, updated_at, id)');
        DB::statement('create index items_titles on items (type_key, title collate wellspring_text, id)');
        Schema::table('item_term', fn (Blueprint $table) => $table->integer('position')->nullable());
        Schema::create('item_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained('items')->cascadeOnDelete();
            $table->text('field');
            $table->integer('position')->default(0);
            $table->foreignId('target_id')->nullable()->index()->constrained('items')->cascadeOnDelete();
            $table->foreignId('person_id')->nullable()->index()->constrained('users')->cascadeOnDelete();
            $table->unique(['item_id', 'field', 'position']);
        });
        // A change is what can be undone at once: an edit of many items, a removal, an import, a change of a type.
        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->text('kind');
            $table->text('title');
            // json, not jsonb: a type's fields stand in it in their order.
            $table->json('data')->default('{}');
            $table->timestampTz('made_at', 0);
            $table->timestampTz('undone_at', 0)->nullable();
        });
        // No foreign key to items: what was removed keeps its revisions, so that it can come back.
        Schema::create('item_revisions', function (Blueprint $table): void {
            $table->id();
            $table->bigInteger('item_id');
            $table->text('type_key');
            $table->integer('number');
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->text('how');
            $table->timestampTz('at', 0);
            $table->json('values');
            $table->unique(['item_id', 'number']);
        });
        Schema::create('change_items', function (Blueprint $table): void {
            $table->foreignId('change_id')->constrained('changes')->cascadeOnDelete();
            $table->bigInteger('item_id');
            $table->integer('before')->nullable();
            $table->integer('after')->nullable();
            $table->primary(['change_id', 'item_id']);
        });
        Schema::create('item_drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained('users')->cascadeOnDelete();
            $table->text('type_key');
            $table->foreignId('item_id')->nullable()->constrained('items')->cascadeOnDelete();
            $table->integer('revision')->nullable();
            $table->json('values');
            $table->timestampTz('kept_at', 0);
            $table->foreign('type_key')->references('key')->on('types')->cascadeOnDelete();
        });
        DB::statement(
            'create unique index item_drafts_of_items on item_drafts (user_id, item_id) where item_id is not null',
        );
        DB::statement(
            'create unique index item_drafts_of_new on item_drafts (user_id, type_key) where item_id is null',
        );
        Schema::create('views_of_content', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained('users')->cascadeOnDelete();
            $table->text('type_key');
            // No name: how this person last had the table; a name: a selection they saved.
            $table->text('name')->default('');
            $table->json('state');
            $table->timestampsTz(0);
            $table->foreign('type_key')->references('key')->on('types')->cascadeOnDelete();
            $table->unique(['user_id', 'type_key', 'name']);
        });
        Schema::table('taxonomies', fn (Blueprint $table) => $table->json('fields')->default('{}'));
        Schema::table('terms', function (Blueprint $table): void {
            $table->text('description')->default('');
            $table->text('picture')->nullable();
            $table->text('colour')->nullable();
            $table->jsonb('fields')->default('{}');
            $table->index('parent_id');
        });
        Schema::table('media', function (Blueprint $table): void {
            $table->text('kind')->default('picture');
            $table->text('title')->default('');
            $table->integer('width')->nullable()->change();
            $table->integer('height')->nullable()->change();
            $table->bigInteger('bytes')->change();
            $table->float('focus_x')->default(0.5);
            $table->float('focus_y')->default(0.5);
            $table->json('sizes')->default('[]');
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
        });
        Schema::create('imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->nullable()->constrained('users')->nullOnDelete();
            $table->text('type_key');
            $table->text('name');
            $table->text('file');
            $table->text('pictures')->nullable();
            $table->json('columns');
            $table->json('options')->default('{}');
            $table->text('state')->default('new');
            $table->integer('rows')->default(0);
            $table->integer('done')->default(0);
            $table->json('result')->nullable();
            $table->foreignId('change_id')->nullable()->constrained('changes')->nullOnDelete();
            $table->timestampsTz(0);
            $table->foreign('type_key')->references('key')->on('types')->cascadeOnDelete();
        });
        Schema::create('column_matches', function (Blueprint $table): void {
            $table->text('type_key');
            $table->text('heading');
            $table->text('column');
            $table->primary(['type_key', 'heading']);
            $table->foreign('type_key')->references('key')->on('types')->cascadeOnDelete();
        });
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->text('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        DB::unprepared(<<<'SQL'
            create function mark_item_links() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'type:' || items.type_key from changed join items on items.id
                    = changed.item_id));
                return null;
            end $$;
            -- An item that others link to is shown by its title in theirs.
            create function mark_linking_items() returns trigger language plpgsql as $$
            begin
                perform mark_content(array(select distinct 'type:' || items.type_key from changed join item_links on
                    item_links.target_id = changed.id join items on items.id = item_links.item_id));
                return null;
            end $$;
            create trigger items_update_linking after update on items referencing new table as changed for each
                statement execute function mark_linking_items();
            SQL);
        foreach (['insert' => 'new', 'update' => 'new', 'delete' => 'old'] as $event => $rows) {
            DB::unprepared(
                "create trigger item_links_{$event}_mark after "
                    ."{$event} on item_links referencing {$rows} table as changed for each statement execute function "
                        .'mark_item_links()',
            );
        }
    }

    public function down(): void
    {
        DB::unprepared('drop function mark_item_links() cascade; drop function mark_linking_items() cascade');
        foreach ([
            'jobs', 'column_matches', 'imports', 'views_of_content', 'item_drafts', 'change_items',
            'item_revisions', 'changes', 'item_links', 'group_user', 'groups',
        ] as $table) {
            Schema::dropIfExists($table);
        }
        DB::statement('drop index items_by_hand, items_title_words, items_changed, items_titles');
        Schema::table('items', fn (Blueprint $table) => $table->dropColumn(['author_id', 'position']));
        Schema::table('item_term', fn (Blueprint $table) => $table->dropColumn('position'));
        Schema::table('taxonomies', fn (Blueprint $table) => $table->dropColumn('fields'));
        Schema::table(
            'terms',
            fn (Blueprint $table) => $table->dropColumn(['description', 'picture', 'colour', 'fields']),
        );
        Schema::table(
            'media',
            fn (Blueprint $table) => $table->dropColumn(['kind', 'title', 'focus_x', 'focus_y', 'sizes', 'user_id']),
        );
        Schema::table(
            'users',
            fn (Blueprint $table) => $table->dropColumn([
                'role',
                'active',
                'invitation',
                'invited_until',
                'signed_in_at',
            ]),
        );
    }
};
