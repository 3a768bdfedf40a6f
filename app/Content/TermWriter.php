<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Models\AuditAction;
use App\Models\Change;
use App\Models\FreeName;
use App\Models\Media;
use App\Models\Module;
use App\Models\Taxonomy as TaxonomyRow;
use App\Models\Term;
use App\Modules\DefinitionRenamer;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TermDraft;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Words;

/** The one way in which taxonomies and terms are written. What it does to items and modules can be undone. */
final readonly class TermWriter
{
    public function __construct(
        private CatalogueStore $store,
        private SafeHtml $html,
        private DefinitionRenamer $renamer,
    ) {
    }

    /** Makes the taxonomy, or what of it the site lacks: terms that are there stay as they are. */
    public function apply(TaxonomyFile $file): TaxonomyRow
    {
        return DB::transaction(function () use ($file): TaxonomyRow {
            $row = TaxonomyRow::query()->find($file->taxonomy->key) ?? $this->define($file);
            $this->addMissing($row->key, $file->terms, null);
            $this->store->forget();

            return $row;
        });
    }

    /** Its label, whether it is a tree, and the fields of its terms. Terms are not touched. */
    public function define(TaxonomyFile $file): TaxonomyRow
    {
        $row = TaxonomyRow::query()->find($file->taxonomy->key) ?? new TaxonomyRow(['key' => $file->taxonomy->key]);
        if (
            $row->exists
            && ! $file->taxonomy->tree
            && Term::query()->where('taxonomy_key', $row->key)->whereNotNull('parent_id')->exists()
        ) {
            throw Refused::because('tree', 'inUse', 'there are terms below others; move them to the top first.');
        }
        $fields = TaxonomyFile::write($file->taxonomy, []);
        $row->fill([
            'label' => $file->taxonomy->label,
            'tree' => $file->taxonomy->tree,
            'fields' => array_intersect_key($fields, ['properties' => 0, 'required' => 0]),
        ])->save();
        AuditTrail::record(AuditAction::TaxonomyChanged, $row->label, ['key' => $row->key]);
        $this->store->forget();

        return $row;
    }

    /** @throws Refused when the slug is taken, the parent is of another taxonomy, or the picture is not there */
    public function add(string $taxonomy, TermDraft $draft, ?Term $parent = null): Term
    {
        $this->check($taxonomy, $draft, null, $parent);
        $last = Term::query()->where('taxonomy_key', $taxonomy)->where('parent_id', $parent?->id)->max('position');
        $term = new Term(
            [
                'taxonomy_key' => $taxonomy,
                'parent_id' => $parent?->id,
                'position' => (is_numeric($last) ? (int) $last : -1) + 1,
            ] + $this->columns($taxonomy, $draft),
        );
        if (! FreeName::inserted($term, ['taxonomy_key', 'slug'])) {
            throw Refused::because(
                'slug',
                'taken',
                "“{$draft->slug}” was taken a moment ago; expected a slug that no other term has.",
            );
        }
        $this->store->forget();

        return $term;
    }

    /** A new slug is followed by the modules that name the term. */
    public function update(Term $term, TermDraft $draft): Term
    {
        return DB::transaction(function () use ($term, $draft): Term {
            $this->check($term->taxonomy_key, $draft, $term, null);
            $before = $this->store->catalogue();
            $old = $term->slug;
            $term->fill($this->columns($term->taxonomy_key, $draft))->save();
            if ($old !== $term->slug) {
                $this->renamer->rename(Renaming::ofTerms($term->taxonomy_key, [$old => $term->slug]), $before);
            }
            $this->store->forget();

            return $term;
        });
    }

    /**
     * Puts the term, with all below it, under another or at the top.
     *
     * @param  int  $position  among its new neighbours, 0 first; it never stands below itself
     */
    public function move(Term $term, ?Term $parent, int $position): void
    {
        DB::transaction(function () use ($term, $parent, $position): void {
            Term::query()->where('taxonomy_key', $term->taxonomy_key)->orderBy('id')->lockForUpdate()->get(['id']);
            if (
                $parent !== null
                && (
                    $parent->taxonomy_key !== $term->taxonomy_key
                        || ! (TaxonomyRow::query()->find($term->taxonomy_key)->tree ?? false)
                )
            ) {
                throw Refused::because('parent', 'wrongValue', 'expected a term of the same tree.');
            }
            for ($above = $parent; $above !== null; $above = $above->parent_id === null ? null : Term::query()->find($above->parent_id)) {
                if ($above->id === $term->id) {
                    throw Refused::because('parent', 'wrongValue', "“{$term->name}” cannot stand below itself.");
                }
            }
            $neighbours = Term::query()
                ->where('taxonomy_key', $term->taxonomy_key)
                ->where('parent_id', $parent?->id)
                ->where('id', '<>', $term->id)
                ->orderBy('position')
                ->orderBy('id')
                ->pluck('id')
                ->all();
            array_splice($neighbours, max(0, min($position, count($neighbours))), 0, [$term->id]);
            $term->parent_id = $parent?->id;
            $term->save();
            $order = '{'.implode(
                ',',
                array_map(fn (mixed $id): string => is_numeric($id) ? (string) $id : '0', $neighbours),
            ).'}';
            DB::update(
                'update terms set position = placed.place - 1 from unnest(?::bigint[]) with ordinality as placed(id, place) where terms.id = placed.id and position <> placed.place - 1',
                [$order],
            );
            $this->store->forget();
        });
    }

    /**
     * Items, the terms below and the modules that name them follow the one that stays.
     *
     * @param  list<Term>  $gone
     */
    public function merge(Term $into, array $gone): Change
    {
        $names = implode(', ', array_map(fn (Term $term): string => "“{$term->name}”", $gone));

        return $this->change("Merged {$names} into “{$into->name}”", 'terms merged', [...$gone, $into], function (Change $change) use ($into, $gone): void {
            for ($above = $into; $above !== null; $above = $above->parent_id === null ? null : Term::query()->find($above->parent_id)) {
                if (in_array($above->id, array_map(fn (Term $term): int => $term->id, $gone), true)) {
                    throw Refused::because(
                        'into',
                        'wrongValue',
                        "“{$into->name}” stands below “{$above->name}”; a term cannot be merged into one below itself.",
                    );
                }
            }
            $ids = array_map(fn (Term $term): int => $term->id, $gone);
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
            $this->renamer->rename(Renaming::ofTerms($into->taxonomy_key, $renamed), $this->store->catalogue());
        });
    }

    /** Items lose the term; terms below it go up to where it stood. */
    public function remove(Term $term): Change
    {
        return $this->change("Removed the term “{$term->name}”", 'term removed', [$term], function (Change $change) use ($term): void {
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
        });
    }

    /**
     * The taxonomy with all its terms; taken back like the rest.
     *
     * @throws Refused when a type or a module has it
     */
    public function removeTaxonomy(TaxonomyRow $taxonomy): Change
    {
        foreach ($this->store->catalogue()->types as $type) {
            if (isset($type->taxonomies[$taxonomy->key])) {
                throw Refused::because('', 'inUse', "it belongs to {$type->plural}. Take it from that type first.");
            }
        }
        foreach (Module::query()->whereNull('removed_at')->get() as $module) {
            foreach (array_filter([$module->draft, $module->live]) as $definition) {
                if (
                    ($definition['source']['terms'] ?? null) === $taxonomy->key
                    || ($definition['source']['of'] ?? null) === $taxonomy->key
                ) {
                    throw Refused::because('', 'inUse', "the module “{$module->key}” takes its terms.");
                }
            }
        }
        $terms = array_values(Term::query()->where('taxonomy_key', $taxonomy->key)->orderBy('id')->get()->all());

        return $this->change("Removed the taxonomy “{$taxonomy->label}”", 'taxonomy removed', $terms, function (Change $change) use ($taxonomy, $terms): void {
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
        }, ['taxonomy' => ['key' => $taxonomy->key, 'label' => $taxonomy->label, 'tree' => $taxonomy->tree, 'fields' => $taxonomy->fields]]);
    }

    /**
     * Brings back the terms that a merge or removal took, and the modules that named them. Items come back by their
     * revisions.
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
                    throw Refused::because('', 'taken', "the slug “{$row['slug']}” is taken by another term by now.");
                }
                DB::table('terms')->insert(
                    ['fields' => json_encode((object) (array) $row['fields']), 'parent_id' => null] + $row,
                );
                $parents[(int) $row['id']] = $row['parent_id'] ?? null;
            }
        }
        // What stood below what is there again stands there again.
        foreach (array_filter($parents ?? []) as $id => $parent) {
            Term::query()->where('id', $id)->update(['parent_id' => Term::query()->where('id', $parent)->value('id')]);
        }
        foreach ((array) ($change->data['children'] ?? []) as $id => $parent) {
            Term::query()->where('id', $id)->update(['parent_id' => $parent]);
        }
        foreach ((array) ($change->data['modules'] ?? []) as $row) {
            if (is_array($row)) {
                $module = Module::query()->where('key', $row['key'])->where('revision', $row['after'])->first();
                $module?->fill(['draft' => $row['draft'], 'live' => $row['live']]);
                if ($module !== null) {
                    $module->revision++;
                    $module->save();
                }
            }
        }
        $this->store->forget();
    }

    /**
     * @param  list<Term>  $touched
     * @param  \Closure(Change): void  $work
     * @param  array<string, mixed>  $more  what undoing needs beside
     */
    private function change(string $title, string $how, array $touched, \Closure $work, array $more = []): Change
    {
        return RevisionRecorder::change('terms', $title, $how, function (RevisionRecorder $recorder, Change $change) use ($touched, $work, $more): void {
            $ids = array_map(fn (Term $term): int => $term->id, $touched);
            $modules = Module::query()->get()->keyBy('key');
            $data = [
                'terms' => DB::table('terms')
                    ->whereIn('id', $ids)
                    ->get()
                    ->map(
                        fn (object $row): array => [
                            'fields' => json_decode(is_string($row->fields) ? $row->fields : '{}', true),
                        ] + (array) $row,
                    )
                    ->all(),
                'children' => Term::query()->whereIn('parent_id', $ids)->pluck('parent_id', 'id')->all(),
            ];
            $work($change);
            $data['modules'] = [];
            foreach (Module::query()->get() as $module) {
                if ($module->revision !== $modules[$module->key]?->revision) {
                    $data['modules'][] = [
                        'key' => $module->key,
                        'after' => $module->revision,
                        'draft' => $modules[$module->key]?->draft,
                        'live' => $modules[$module->key]?->live,
                    ];
                }
            }
            $change->data = $data + $more;
            $change->save();
            $this->store->forget();
        });
    }

    /**
     * Changes the terms of many items at once; each gets a revision that says so.
     *
     * @param  list<int>  $terms  whose items are touched
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
            $ids = '{'.implode(',', $some).'}';
            DB::statement(
                'update items set revision = revision + 1, updated_at = now() where id = any(?::bigint[])',
                [$ids],
            );
            DB::statement(<<<'SQL'
                insert into item_revisions (item_id, type_key, number, user_id, how, at, values)
                select items.id, items.type_key, items.revision, ?::bigint, ?, items.updated_at,
                    (was.values::jsonb - ? || coalesce((
                        select jsonb_build_object(?::text, jsonb_agg(terms.slug order by terms.position, terms.id)) from item_term join terms on terms.id = item_term.term_id
                        where item_term.item_id = items.id and terms.taxonomy_key = ? having count(*) > 0
                    ), '{}'))::json
                from items join item_revisions was on was.item_id = items.id and was.number = items.revision - 1
                where items.id = any(?::bigint[])
                SQL, [Auth::id(), $change->title, $taxonomy, $taxonomy, $taxonomy, $ids]);
            DB::statement(
                'insert into change_items (change_id, item_id, before, after) select ?, id, revision - 1, revision from items where id = any(?::bigint[])',
                [$change->id, $ids],
            );
        }
    }

    /**
     * Stores texts of a term anew, as they are.
     *
     * @param  array<string, mixed>  $fields
     */
    public function rewrite(Term $term, string $description, array $fields): void
    {
        $term->fill([
            'description' => $description,
            'fields' => $fields,
            'folded' => $this->folded($term->taxonomy_key, $term->name, $term->slug, $description, $fields),
        ])->save();
    }

    /** @param  list<TermDraft>  $terms */
    private function addMissing(string $taxonomy, array $terms, ?Term $parent): void
    {
        foreach ($terms as $draft) {
            $row = Term::query()
                ->where('taxonomy_key', $taxonomy)
                ->where('slug', $draft->slug)
                ->first() ?? $this->add($taxonomy, $draft, $parent);
            $this->addMissing($taxonomy, $draft->below, $row);
        }
    }

    private function check(string $taxonomy, TermDraft $draft, ?Term $term, ?Term $parent): void
    {
        $owner = Term::query()->where('taxonomy_key', $taxonomy)->where('slug', $draft->slug)->first();
        if ($owner !== null && $owner->id !== $term?->id) {
            throw Refused::because(
                'slug',
                'taken',
                "“{$draft->slug}” is taken by “{$owner->name}”; expected a slug that no other term has.",
            );
        }
        if ($parent !== null && $parent->taxonomy_key !== $taxonomy) {
            throw Refused::because('parent', 'wrongValue', 'expected a term of the same taxonomy.');
        }
        if (
            $draft->picture !== null
            && ! Media::query()->where('name', $draft->picture)->where('kind', 'picture')->exists()
        ) {
            throw Refused::because(
                'picture',
                'unknownPicture',
                "expected the name of a picture on this site, found “{$draft->picture}”.",
            );
        }
    }

    /** @return array<string, mixed> */
    private function columns(string $taxonomy, TermDraft $draft): array
    {
        $description = $draft->description === '' ? '' : (string) $this->html->safe($draft->description);

        $fields = $this->html->safeFields(
            $this->store->catalogue()->taxonomies[$taxonomy]->fields ?? [],
            $draft->fields,
        );

        return [
            'slug' => $draft->slug,
            'name' => $draft->name,
            'description' => $description,
            'picture' => $draft->picture,
            'colour' => $draft->colour,
            'fields' => $fields,
            'folded' => $this->folded($taxonomy, $draft->name, $draft->slug, $description, $fields),
            'words' => implode(' ', Words::of($draft->name)),
        ];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, string> the texts in the form in which they are compared
     */
    private function folded(string $taxonomy, string $name, string $slug, string $description, array $fields): array
    {
        $texts = ['title' => $name, 'slug' => $slug, 'text' => Html::visibleText($description)];
        foreach ($this->store->catalogue()->taxonomies[$taxonomy]->fields ?? [] as $key => $field) {
            $value = $fields[$key] ?? null;
            if (is_string($value) && ($field->family() === Family::Text || $field->family() === Family::LongText)) {
                $texts[$key] = $field->family() === Family::LongText ? Html::visibleText($value) : $value;
            }
        }

        return array_map(Fold::of(...), array_filter($texts, fn (string $text): bool => $text !== ''));
    }
}
