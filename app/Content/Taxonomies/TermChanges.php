<?php

declare(strict_types=1);

namespace App\Content\Taxonomies;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use App\Content\ItemWriter;
use App\Database\PostgresArray;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\Models\Change;
use App\Models\Taxonomy as TaxonomyRow;
use App\Models\Term;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;

/** Merges and removes terms and taxonomies, each as one change that can be undone. */
final readonly class TermChanges
{
    public function __construct(private CatalogueStore $store, private StoredDefinitions $definitions)
    {
    }

    /**
     * Items, the terms below and the modules switch to the remaining term.
     *
     * @param  list<Term>  $gone
     */
    public function merge(Term $into, array $gone): Change
    {
        $names = implode(', ', array_map(fn (Term $term): string => "“{$term->name}”", $gone));

        return $this->change(
            "Merged {$names} into “{$into->name}”",
            'terms merged',
            [...$gone, $into],
            function (Change $change) use ($into, $gone): array {
                TaxonomyLock::take($into->taxonomy_key);
                $ids = array_map(fn (Term $term): int => $term->id, $gone);
                $over = array_values(array_intersect($into->idsUpward(), $ids));
                if ($over !== []) {
                    throw Refused::because(
                        'into',
                        ProblemCode::WrongValue,
                        "“{$into->name}” stands below “".Term::query()->findOrFail($over[0])->name
                            .'”; a term cannot be merged into one below itself.',
                    );
                }
                $this->touchItems($change, $into->taxonomy_key, $ids, function () use ($ids, $into): void {
                    DB::table('item_term')->insertOrIgnoreUsing(
                        ['term_id', 'item_id'],
                        DB::table('item_term')
                            ->whereIn('term_id', $ids)
                            ->selectRaw('distinct ?::bigint, item_id', [$into->id]),
                    );
                    DB::table('item_term')->whereIn('term_id', $ids)->delete();
                });
                $last = Term::query()->where('parent_id', $into->id)->max('position');
                foreach (Term::query()->whereIn('parent_id', $ids)->orderBy('position')->get() as $i => $child) {
                    $child->update([
                        'parent_id' => $into->id,
                        'position' => (is_numeric($last) ? (int) $last : -1) + 1 + $i,
                    ]);
                }
                Term::query()->whereIn('id', $ids)->delete();
                $renamed = array_fill_keys(array_map(fn (Term $term): string => $term->slug, $gone), $into->slug);
                AuditTrail::record(AuditAction::TermsMerged, $change->title, ['change' => $change->id]);

                return $this->definitions->rename(
                    Renaming::ofTerms($into->taxonomy_key, $renamed),
                    $this->store->catalogue(),
                );
            },
        );
    }

    /**
     * Items lose the term; the terms below it move up to its parent.
     *
     * @throws Refused when a live page or module is about it and those below it
     */
    public function remove(Term $term): Change
    {
        $problems = new Problems;
        $problems->merge($this->definitions->aboutBranch($term->taxonomy_key, $term->slug));
        $problems->refuseIfAny();

        return $this->change(
            "Removed the term “{$term->name}”",
            'term removed',
            [$term],
            function (Change $change) use ($term): array {
                TaxonomyLock::take($term->taxonomy_key);
                $term->refresh();
                $this->touchItems(
                    $change,
                    $term->taxonomy_key,
                    [$term->id],
                    fn () => DB::table('item_term')->where('term_id', $term->id)->delete(),
                );
                Term::query()->where('parent_id', $term->id)->update(['parent_id' => $term->parent_id]);
                $term->delete();
                AuditTrail::record(
                    AuditAction::TermRemoved,
                    $term->name,
                    ['taxonomy' => $term->taxonomy_key, 'change' => $change->id],
                );

                return [];
            },
        );
    }

    /**
     * Removes the taxonomy with all its terms. This can be undone as well.
     *
     * @throws Refused when a type or a module has it
     */
    public function removeTaxonomy(TaxonomyRow $taxonomy): Change
    {
        foreach ($this->store->catalogue()->types as $type) {
            if (isset($type->taxonomies[$taxonomy->key])) {
                throw Refused::because(
                    '',
                    ProblemCode::InUse,
                    "it belongs to {$type->plural}. Take it from that type first.",
                );
            }
        }
        $problems = new Problems;
        $problems->merge($this->definitions->takingTermsOf($taxonomy->key));
        $problems->refuseIfAny();
        $terms = array_values(Term::query()->where('taxonomy_key', $taxonomy->key)->orderBy('id')->get()->all());

        return $this->change(
            "Removed the taxonomy “{$taxonomy->label}”",
            'taxonomy removed',
            $terms,
            function (Change $change) use ($taxonomy, $terms): array {
                $this->touchItems(
                    $change,
                    $taxonomy->key,
                    array_map(fn (Term $term): int => $term->id, $terms),
                    fn () => DB::table('item_term')
                        ->whereIn('term_id', array_map(fn (Term $term): int => $term->id, $terms))
                        ->delete(),
                );
                DB::table('terms')->where('taxonomy_key', $taxonomy->key)->update(['parent_id' => null]);
                $taxonomy->delete();
                AuditTrail::record(
                    AuditAction::TaxonomyRemoved,
                    $taxonomy->label,
                    ['key' => $taxonomy->key, 'terms' => count($terms), 'change' => $change->id],
                );

                return [];
            },
            ['taxonomy' => [
                'key' => $taxonomy->key,
                'label' => $taxonomy->label,
                'tree' => $taxonomy->tree,
                'fields' => $taxonomy->fields,
            ]],
        );
    }

    /**
     * Restores the terms of a merge or removal, and the modules that used them. Items are restored by their revisions.
     */
    public function undo(Change $change): void
    {
        $taxonomy = $change->data['taxonomy'] ?? null;
        if (is_array($taxonomy)) {
            TaxonomyRow::query()->create($taxonomy);
        }
        foreach ((array) ($change->data['terms'] ?? []) as $row) {
            if (is_array($row) && ! Term::query()->where('id', $row['id'] ?? 0)->exists()) {
                if (Term::query()->where('taxonomy_key', $row['taxonomy_key'])->where('slug', $row['slug'])->exists()) {
                    throw Refused::because(
                        '',
                        ProblemCode::Taken,
                        "the slug “{$row['slug']}” is taken by another term by now.",
                    );
                }
                DB::table('terms')->insert(
                    ['fields' => json_encode((object) (array) $row['fields']), 'parent_id' => null] + $row,
                );
                $parents[(int) $row['id']] = $row['parent_id'] ?? null;
            }
        }
        // Terms return to their place below restored ones.
        foreach (array_filter($parents ?? []) as $id => $parent) {
            Term::query()->where('id', $id)->update(['parent_id' => Term::query()->where('id', $parent)->value('id')]);
        }
        foreach ((array) ($change->data['children'] ?? []) as $id => $parent) {
            Term::query()->where('id', $id)->update(['parent_id' => $parent]);
        }
        $replaced = array_filter((array) ($change->data['modules'] ?? []), is_array(...));
        $this->definitions->restore(array_values($replaced));
        $this->store->forget();
    }

    /**
     * @param  list<Term>  $touched
     * @param  \Closure(Change): list<array<string, mixed>>  $work  returns the replaced definitions
     * @param  array<string, mixed>  $more  further facts for the undo
     */
    private function change(string $title, string $how, array $touched, \Closure $work, array $more = []): Change
    {
        return RevisionRecorder::change(
            'terms',
            $title,
            $how,
            function (RevisionRecorder $recorder, Change $change) use ($touched, $work, $more): void {
                $ids = array_map(fn (Term $term): int => $term->id, $touched);
                $data = [
                    'terms' => DB::table('terms')
                        ->whereIn('id', $ids)
                        ->get()
                        ->map(
                            fn (object $row): array => [
                                'fields' => json_decode(is_string($row->fields) ? $row->fields : '{}', true),
                            ] + array_diff_key((array) $row, ['media_names' => 'kept by the database']),
                        )
                        ->all(),
                    'children' => Term::query()->whereIn('parent_id', $ids)->pluck('parent_id', 'id')->all(),
                ];
                $data['modules'] = $work($change);
                $change->data = $data + $more;
                $change->save();
                $this->store->forget();
            },
        );
    }

    /**
     * Changes the terms of many items; each gets a revision.
     *
     * @param  list<int>  $terms  terms whose items are affected
     * @param  \Closure(): mixed  $work
     */
    private function touchItems(Change $change, string $taxonomy, array $terms, \Closure $work): void
    {
        $items = array_values(
            DB::table('item_term')
                ->whereIn('term_id', $terms)
                ->distinct()
                ->pluck('item_id')
                ->map(fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
                ->all(),
        );
        ItemWriter::lock($items);
        $work();
        foreach (array_chunk($items, 5000) as $some) {
            $ids = PostgresArray::literal($some);
            DB::statement(
                'update items set revision = revision + 1, updated_at = now() where id = any(?::bigint[])',
                [$ids],
            );
            DB::statement(<<<'SQL'
                insert into item_revisions (item_id, type_key, number, user_id, how, at, values)
                select items.id, items.type_key, items.revision, ?::bigint, ?, items.updated_at,
                    (was.values::jsonb - ? || coalesce((
                        select jsonb_build_object(?::text, jsonb_agg(terms.slug order by terms.position, terms.id)) from
                            item_term join terms on terms.id = item_term.term_id
                        where item_term.item_id = items.id and terms.taxonomy_key = ? having count(*) > 0
                    ), '{}'))::json
                from items join item_revisions was on was.item_id = items.id and was.number = items.revision - 1
                where items.id = any(?::bigint[])
                SQL, [Actor::id(), $change->title, $taxonomy, $taxonomy, $taxonomy, $ids]);
            DB::statement(
                'insert into change_items (change_id, item_id, before, after) select ?, id, revision - 1, revision '
                    .'from items where id = any(?::bigint[])',
                [$change->id, $ids],
            );
        }
    }
}
