<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Types;

use App\Catalogue\CatalogueStore;
use App\Content\Taxonomies\TermChanges;
use App\Content\Taxonomies\TermWriter;
use App\Http\Created;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\Requests\Types\DefineTaxonomyRequest;
use App\Http\Requests\Types\MergeTermsRequest;
use App\Http\Requests\Types\MoveTermRequest;
use App\Http\Requests\Types\SaveTermRequest;
use App\Http\Resources\FormDraftResource;
use App\Http\Resources\JsonMap;
use App\Models\Media;
use App\Models\Taxonomy as TaxonomyRow;
use App\Models\Term;
use App\Modules\ModuleStore;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TermDraft;
use Wellspring\Core\Content\File\TermReader;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/**
 * Taxonomies and their terms.
 *
 * @phpstan-import-type TaxonomyFileShape from DefinitionSchemas
 * @phpstan-import-type FormDraftShape from FormDraftResource
 *
 * @phpstan-type TaxonomyRowShape array{
 *     key: string, label: string, tree: bool, terms: int, types: list<string>, revision: int,
 *     file: TaxonomyFileShape,
 * }
 * @phpstan-type TermRowShape array{
 *     id: int, parent: int|null, slug: string, name: string, colour: string|null, items: int, withBelow: int,
 * }
 * @phpstan-type TermShape array{
 *     id: int, slug: string, name: string, description: string, picture: string|null, pictureUrl: string|null,
 *     colour: string|null, fields: JsonMap<mixed>, revision: int, items: int, below: int, modules: list<string>,
 *     draft: FormDraftShape|null,
 * }
 */
final readonly class TermController
{
    public function __construct(
        private CatalogueStore $store,
        private TermWriter $writer,
        private TermChanges $changes,
        private ModuleStore $modules,
        private FormDraftResource $drafts,
    ) {
    }

    /** @return list<TaxonomyRowShape> */
    public function taxonomies(): array
    {
        $catalogue = $this->store->catalogue();
        $terms = TaxonomyRow::query()->withCount('terms')->pluck('terms_count', 'key');
        $revisions = TaxonomyRow::query()->pluck('revision', 'key');

        return array_values(array_map(fn (Taxonomy $taxonomy): array => [
            'key' => $taxonomy->key,
            'label' => $taxonomy->label,
            'tree' => $taxonomy->tree,
            'terms' => (int) ($terms[$taxonomy->key] ?? 0),
            'types' => array_values(
                array_map(
                    fn (Type $type): string => $type->plural,
                    array_filter($catalogue->types, fn (Type $type): bool => isset($type->taxonomies[$taxonomy->key])),
                ),
            ),
            'revision' => $revisions[$taxonomy->key] ?? 0,
            'file' => array_diff_key(TaxonomyFile::write($taxonomy, []), ['terms' => 0]),
        ], $catalogue->taxonomies));
    }

    /** @return array{key: string, revision: int} */
    public function define(DefineTaxonomyRequest $request): array
    {
        $file = TaxonomyFile::read($request->json()->all()['file'] ?? null);
        $exists = isset($this->store->catalogue()->taxonomies[$file->taxonomy->key]);
        $row = $this->writer->define($file, $request->revision($exists));

        return ['key' => $row->key, 'revision' => $row->revision];
    }

    /** @return array{removed: string, change: int} */
    public function removeTaxonomy(string $key): array
    {
        $taxonomy = TaxonomyRow::query()->where('key', $key)->first() ?? abort(404, "There is no taxonomy “{$key}”.");

        return ['removed' => $key, 'change' => $this->changes->removeTaxonomy($taxonomy)->id];
    }

    /** The taxonomy with all its terms. */
    public function file(string $key): Response
    {
        $taxonomy = $this->taxonomy($key);
        $rows = Term::query()
            ->where('taxonomy_key', $key)
            ->orderBy('position')
            ->orderBy('id')
            ->get()
            ->groupBy(fn (Term $term): int => $term->parent_id ?? 0);
        $below = function (int $parent) use (&$below, $rows, $taxonomy): array {
            return array_values(
                ($rows->get($parent) ?? collect())
                    ->map(
                        fn (Term $term): TermDraft => new TermDraft(
                            $term->slug,
                            $term->name,
                            $term->description,
                            $term->picture,
                            $term->colour,
                            array_intersect_key($term->fields, $taxonomy->fields),
                            $below($term->id),
                        ),
                    )
                    ->all(),
            );
        };

        return new Response(
            json_encode(
                TaxonomyFile::write($taxonomy, $below(0)),
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            )."\n",
            200,
            [
                'Content-Type' => 'application/json',
                'Content-Disposition' => "attachment; filename=\"{$key}.taxonomy.json\"",
            ],
        );
    }

    /** @return list<TermRowShape> parents before children, with how many items each has, and with those below it */
    public function index(string $key): array
    {
        $this->taxonomy($key);
        $counts = $this->store->itemsOfTerms($key);

        return array_values(Term::query()->where('taxonomy_key', $key)->orderBy('position')->orderBy('id')->get([
            'id', 'parent_id', 'slug', 'name', 'colour',
        ])->map(fn (Term $term): array => [
            'id' => $term->id,
            'parent' => $term->parent_id,
            'slug' => $term->slug,
            'name' => $term->name,
            'colour' => $term->colour,
            'items' => $counts[$term->id]['own'] ?? 0,
            'withBelow' => $counts[$term->id]['withBelow'] ?? 0,
        ])->all());
    }

    /** @return TermShape */
    public function show(Request $request, int $id): array
    {
        $term = Term::query()->findOrFail($id);
        $picture = $term->picture === null ? null : Media::query()->where('name', $term->picture)->first();

        return [
            'id' => $term->id,
            'slug' => $term->slug,
            'name' => $term->name,
            'description' => $term->description,
            'picture' => $term->picture,
            'pictureUrl' => $picture?->smallUrl(),
            'colour' => $term->colour,
            // The value of a field that the taxonomy no longer has stays stored, and is not shown.
            'fields' => new JsonMap(
                array_intersect_key($term->fields, $this->taxonomy($term->taxonomy_key)->fields),
            ),
            'revision' => $term->revision,
            'draft' => $this->drafts->of($request, "term:{$id}"),
            'items' => $term->items()->count(),
            'below' => Term::query()->where('parent_id', $id)->count(),
            'modules' => $this->modules->naming($term->taxonomy_key, $term->slug),
        ];
    }

    /** @return Created<TermShape> */
    public function store(SaveTermRequest $request, string $key): Created
    {
        $taxonomy = $this->taxonomy($key);
        $parent = $request->json('parent');
        $term = $this->writer->add(
            $key,
            $this->read($request, $taxonomy),
            is_int($parent) ? $this->term($parent) : null,
        );

        return new Created($this->show($request, $term->id));
    }

    /** @return TermShape */
    public function update(SaveTermRequest $request, int $id): array
    {
        $term = $this->term($id);
        $this->writer->update(
            $term,
            $this->read($request, $this->taxonomy($term->taxonomy_key)),
            $request->revision(true),
        );

        return $this->show($request, $id);
    }

    /** @return array{moved: true} */
    public function move(MoveTermRequest $request, int $id): array
    {
        $given = $request->validated();
        $this->writer->move(
            $this->term($id),
            isset($given['parent']) ? $this->term((int) $given['parent']) : null,
            (int) $given['position'],
        );

        return ['moved' => true];
    }

    /** @return array{change: int} */
    public function merge(MergeTermsRequest $request): array
    {
        $given = $request->validated();
        $into = $this->term((int) $given['into']);
        $gone = array_values(
            Term::query()
                ->where('taxonomy_key', $into->taxonomy_key)
                ->whereKeyNot($into->id)
                ->findMany($given['terms'])
                ->all(),
        );
        if ($gone === []) {
            throw Refused::because('terms', ProblemCode::Missing, 'expected other terms of the same taxonomy.');
        }

        return ['change' => $this->changes->merge($into, $gone)->id];
    }

    /** @return array{change: int} */
    public function remove(int $id): array
    {
        return ['change' => $this->changes->remove($this->term($id))->id];
    }

    private function read(Request $request, Taxonomy $taxonomy): TermDraft
    {
        $problems = new Problems;
        $values = $request->json()->all()['term'] ?? null;
        $draft = (new TermReader($taxonomy->fields))->read(new Shape($values, '', $problems), $problems);
        $problems->refuseIfAny();

        return $draft;
    }

    private function term(int $id): Term
    {
        return Term::query()->find($id) ?? abort(404, 'There is no such term; it may have been removed.');
    }

    private function taxonomy(string $key): Taxonomy
    {
        return $this->store->catalogue()->taxonomies[$key] ?? abort(404, "There is no taxonomy “{$key}”.");
    }
}
