<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Guards against writers that do not see each other. The terms of an item are counted again after the item is locked.
 * A term cannot be moved below itself. Types, taxonomies and terms have revisions. Forms keep what a person has typed.
 * The index of titles holds their beginnings: an entry of an index has room for 2,704 bytes.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['types', 'taxonomies', 'terms'] as $table) {
            Schema::table($table, fn (Blueprint $table) => $table->integer('revision')->default(1));
        }
        Schema::create('form_drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained('users')->cascadeOnDelete();
            $table->text('form');
            $table->integer('revision')->nullable();
            $table->json('values');
            $table->timestampTz('kept_at', 0);
            $table->unique(['user_id', 'form']);
        });
        Schema::create('index_faults', function (Blueprint $table): void {
            $table->text('name')->primary();
            $table->text('what');
            $table->json('modules');
            $table->text('reason');
            $table->timestampTz('at', 0);
        });
        DB::unprepared(<<<'SQL'
            drop index items_titles;
            create index items_titles on items (type_key, (left(title, 200)) collate wellspring_text, id);
            SQL);
        $this->keepTermIds();
        $this->refuseCircles();
    }

    public function down(): void
    {
        DB::unprepared(<<<'SQL'
            drop index items_titles;
            create index items_titles on items (type_key, title collate wellspring_text, id);
            SQL);
        DB::unprepared('drop function refuse_circle() cascade');
        DB::unprepared('drop trigger item_term_moved_ids on item_term');
        DB::unprepared(<<<'SQL'
            create or replace function keep_term_ids() returns trigger language plpgsql as $$
            begin
                update items set term_ids = has.ids
                from (
                    select touched.item_id, coalesce(array_agg(item_term.term_id order by item_term.term_id) filter
                        (where item_term.term_id is not null), '{}') as ids
                    from (select distinct item_id from changed) as touched left join item_term on item_term.item_id =
                        touched.item_id
                    group by touched.item_id
                ) as has
                where items.id = has.item_id and items.term_ids <> has.ids;
                return null;
            end $$;
            SQL);
        Schema::dropIfExists('index_faults');
        Schema::dropIfExists('form_drafts');
        foreach (['types', 'taxonomies', 'terms'] as $table) {
            Schema::table($table, fn (Blueprint $table) => $table->dropColumn('revision'));
        }
    }

    /** The second statement sees what others committed before they released the item's lock. */
    private function keepTermIds(): void
    {
        DB::unprepared(<<<'SQL'
            create or replace function keep_term_ids() returns trigger language plpgsql as $$
            begin
                perform 1 from items where id in (select item_id from changed) order by id for no key update;
                update items set term_ids = has.ids
                from (
                    select touched.item_id, coalesce(array_agg(item_term.term_id order by item_term.term_id) filter
                        (where item_term.term_id is not null), '{}') as ids
                    from (select distinct item_id from changed) as touched left join item_term on item_term.item_id =
                        touched.item_id
                    group by touched.item_id
                ) as has
                where items.id = has.item_id and items.term_ids <> has.ids;
                return null;
            end $$;
            create trigger item_term_moved_ids after update on item_term referencing old table as changed
                for each statement execute function keep_term_ids();
            SQL);
    }

    /** The lock of a taxonomy is the one that App\Content\Taxonomies\TaxonomyLock takes. */
    private function refuseCircles(): void
    {
        DB::unprepared(<<<'SQL'
            update terms set parent_id = null where id in (
                with recursive above(term, over) as (
                    select id, parent_id from terms where parent_id is not null
                    union
                    select above.term, terms.parent_id from above join terms on terms.id = above.over
                        where terms.parent_id is not null
                ) select min(term) from above where term = over group by (
                    select min(over) from above as same where same.term = above.term
                )
            );
            create function refuse_circle() returns trigger language plpgsql as $$
            declare
                found bigint;
            begin
                if new.parent_id is null then
                    return null;
                end if;
                perform pg_advisory_xact_lock(hashtext('wellspring.taxonomy'), hashtext(new.taxonomy_key));
                with recursive above(id) as (
                    select parent_id from terms where id = new.id
                    union
                    select terms.parent_id from above join terms on terms.id = above.id
                ) select id into found from above where id = new.id;
                if found is not null then
                    raise exception 'term % cannot stand below itself', new.id using errcode = 'check_violation';
                end if;
                return null;
            end $$;
            create constraint trigger terms_no_circle after insert or update of parent_id on terms
                for each row execute function refuse_circle();
            SQL);
    }
};
