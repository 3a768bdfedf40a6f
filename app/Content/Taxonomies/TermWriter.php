<?php

declare(strict_types=1);

namespace App\Content\Taxonomies;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use App\Content\Html\SafeHtml;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Database\PostgresArray;
use App\Enums\AuditAction;
use App\Models\Media;
use App\Models\Taxonomy as TaxonomyRow;
use App\Models\Term;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TermDraft;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Words;

/** Writes taxonomies and terms. Definitions that use a term follow its new slug. */
final readonly class TermWriter
{
    public function __construct(
        private CatalogueStore $store,
        private SafeHtml $html,
        private StoredDefinitions $definitions,
    ) {
    }

    /** Creates the taxonomy, or its missing terms; existing terms stay unchanged. */
    public function apply(TaxonomyFile $file): TaxonomyRow
    {
        return DB::transaction(function () use ($file): TaxonomyRow {
            $row = TaxonomyRow::query()->find($file->taxonomy->key) ?? $this->define($file);
            $this->addMissing($row->key, $file->terms, null);
            $this->store->forget();

            return $row;
        });
    }

    /**
     * Saves its label, whether it is a tree, and the fields of its terms, but not its terms.
     *
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public function define(TaxonomyFile $file, ?int $revision = null): TaxonomyRow
    {
        return DB::transaction(fn (): TaxonomyRow => $this->defined($file, $revision));
    }

    private function defined(TaxonomyFile $file, ?int $revision): TaxonomyRow
    {
        $row = TaxonomyRow::query()->lockForUpdate()->find($file->taxonomy->key)
            ?? new TaxonomyRow(['key' => $file->taxonomy->key, 'revision' => 0]);
        $row->exists && StaleWrite::unless($row->revision, $revision);
        if (
            $row->exists
            && ! $file->taxonomy->tree
            && Term::query()->where('taxonomy_key', $row->key)->whereNotNull('parent_id')->exists()
        ) {
            throw Refused::because(
                'tree',
                ProblemCode::InUse,
                'there are terms below others; move them to the top first.',
            );
        }
        $fields = TaxonomyFile::write($file->taxonomy, []);
        $row->fill([
            'revision' => $row->revision + 1,
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
        $this->checkTexts($taxonomy, $draft);
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
                ProblemCode::Taken,
                "“{$draft->slug}” was taken a moment ago; expected a slug that no other term has.",
            );
        }
        $this->store->forget();

        return $term;
    }

    /**
     * Modules that use the term follow a new slug.
     *
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws Refused when the slug is taken or the picture is not there
     * @throws StaleWrite
     * @throws ModelNotFoundException when the term was removed meanwhile
     */
    public function update(Term $term, TermDraft $draft, ?int $revision = null): Term
    {
        $this->checkTexts($term->taxonomy_key, $draft);

        return DB::transaction(function () use ($term, $draft, $revision): Term {
            $term = Term::query()->lockForUpdate()->findOrFail($term->id);
            StaleWrite::unless($term->revision, $revision);
            $this->check($term->taxonomy_key, $draft, $term, null);
            $before = $this->store->catalogue();
            $old = $term->slug;
            $term->fill(['revision' => $term->revision + 1] + $this->columns($term->taxonomy_key, $draft))->save();
            if ($old !== $term->slug) {
                $this->definitions->rename(Renaming::ofTerms($term->taxonomy_key, [$old => $term->slug]), $before);
            }
            $this->store->forget();

            return $term;
        });
    }

    /**
     * Moves the term, with all below it, below another term or to the top.
     *
     * The parent must not be the term itself, a term below it, or a term of another taxonomy.
     *
     * @param  int  $position  its position among its new siblings, 0 first
     *
     * @throws ModelNotFoundException when the term or the parent was removed meanwhile
     */
    public function move(Term $term, ?Term $parent, int $position): void
    {
        DB::transaction(function () use ($term, $parent, $position): void {
            TaxonomyLock::take($term->taxonomy_key);
            $term->refresh();
            $parent?->refresh();
            if (
                $parent !== null
                && (
                    $parent->taxonomy_key !== $term->taxonomy_key
                        || ! (TaxonomyRow::query()->find($term->taxonomy_key)->tree ?? false)
                )
            ) {
                throw Refused::because('parent', ProblemCode::WrongValue, 'expected a term of the same tree.');
            }
            if ($parent !== null && in_array($term->id, $parent->idsUpward(), true)) {
                throw Refused::because(
                    'parent',
                    ProblemCode::WrongValue,
                    "“{$term->name}” cannot stand below itself.",
                );
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
            $ids = array_map(fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $neighbours);
            DB::update(
                'update terms set position = placed.place - 1 from unnest(?::bigint[]) with ordinality as placed(id, '
                    .'place) where terms.id = placed.id and position <> placed.place - 1',
                [PostgresArray::literal($ids)],
            );
            $this->store->forget();
        });
    }

    /**
     * Stores the texts of a term again, unchanged.
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

    /** @throws Refused */
    private function checkTexts(string $taxonomy, TermDraft $draft): void
    {
        $problems = new Problems;
        $this->html->checkFields(
            $this->store->catalogue()->taxonomies[$taxonomy]->fields ?? [],
            ['description' => $draft->description] + $draft->fields,
            $problems,
        );
        $problems->refuseIfAny();
    }

    private function check(string $taxonomy, TermDraft $draft, ?Term $term, ?Term $parent): void
    {
        $owner = Term::query()->where('taxonomy_key', $taxonomy)->where('slug', $draft->slug)->first();
        if ($owner !== null && $owner->id !== $term?->id) {
            throw Refused::because(
                'slug',
                ProblemCode::Taken,
                "“{$draft->slug}” is taken by “{$owner->name}”; expected a slug that no other term has.",
            );
        }
        if ($parent !== null && $parent->taxonomy_key !== $taxonomy) {
            throw Refused::because('parent', ProblemCode::WrongValue, 'expected a term of the same taxonomy.');
        }
        if (
            $draft->picture !== null
            && ! Media::query()->where('name', $draft->picture)->where('kind', 'picture')->exists()
        ) {
            throw Refused::because(
                'picture',
                ProblemCode::UnknownPicture,
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
