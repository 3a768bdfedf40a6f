<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Http\Created;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\Requests\DefinitionRequest;
use App\Http\Requests\Modules\ChangeModulesRequest;
use App\Http\Requests\Modules\CreateModuleRequest;
use App\Http\Requests\Modules\ModuleRecordsRequest;
use App\Http\Requests\Modules\StandOnPageRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Http\Resources\JsonMap;
use App\Http\Resources\ModuleResource;
use App\Http\Resources\PageResource;
use App\Listing\Cache\CachedListing;
use App\Listing\ContextFactory;
use App\Listing\Indexes\Indexes;
use App\Models\Module as ModuleRow;
use App\Modules\BulkModuleChange;
use App\Modules\ModuleStore;
use App\Modules\ModuleVersions;
use App\Pages\Placements;
use App\Site\ExampleSubject;
use App\Site\ModulePlaces;
use App\Site\StartingRecords;
use OpenApi\Attributes as OA;
use Wellspring\Core\Explain\StarterDefinitions;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * Modules: the list of them, their drafts, their versions and their places.
 *
 * @phpstan-import-type DefinitionShape from DefinitionSchemas
 * @phpstan-import-type PageFileShape from DefinitionSchemas
 * @phpstan-import-type PageWholeShape from PageResource
 * @phpstan-import-type ModuleSummaryShape from ModuleResource
 * @phpstan-import-type ModuleWholeShape from ModuleResource
 *
 * @phpstan-type ModuleRecordsShape array{live: int|null, draft: int|null}
 * @phpstan-type StartingPointShape array{
 *     key: string, words: string, finds: list<string>, definition: JsonMap<mixed>,
 * }
 * @phpstan-type StartingRecordsShape array{records: int, first: string|null, picture: string|null}
 * @phpstan-type VersionShape array{number: int, publishedAt: string, by: string|null}
 */
final readonly class ModuleController
{
    public function __construct(
        private ModuleStore $store,
        private ModuleVersions $versions,
        private BulkModuleChange $bulk,
        private ModuleResource $shape,
        private CachedListing $listing,
        private CatalogueStore $catalogue,
        private ContextFactory $contexts,
        private Placements $placements,
        private ModulePlaces $places,
        private ExampleSubject $example,
        private StartingRecords $starting,
    ) {
    }

    /** @return list<ModuleSummaryShape> */
    public function index(): array
    {
        $faults = Indexes::faults();

        return array_map(
            fn (ModuleRow $row): array => $this->shape->summary($row, $faults[$row->key] ?? []),
            array_values($this->store->all()->all()),
        );
    }

    /**
     * The number of records of some modules, live and in the draft. The list of modules does not wait for these counts.
     *
     * @return JsonMap<ModuleRecordsShape> by key, without those that are gone meanwhile
     */
    public function records(ModuleRecordsRequest $request): JsonMap
    {
        $given = $request->validated();
        $modules = [];
        $rows = $this->store->some(array_values($given['keys']));
        foreach ($rows as $row) {
            $modules["{$row->key} live"] = $this->store->live($row);
            try {
                $modules["{$row->key} draft"] = $this->store->draft($row);
            } catch (Refused) {
                $modules["{$row->key} draft"] = null;
            }
        }
        $now = $this->contexts->now();
        $plain = $totals = [];
        foreach (array_filter($modules) as $name => $module) {
            [$context, $example] = $this->example->in($module, $now);
            if ($example === null) {
                $plain[$name] = $module;
            } else {
                $totals += $this->listing->totals([$name => $module], $context);
            }
        }
        $totals += $this->listing->totals($plain, $now);
        $records = [];
        foreach ($rows as $row) {
            $records[$row->key] = [
                'live' => $totals["{$row->key} live"] ?? null,
                'draft' => $totals["{$row->key} draft"] ?? null,
            ];
        }

        return new JsonMap($records);
    }

    /** @return list<StartingPointShape> */
    public function starts(): array
    {
        return array_map(
            fn (array $one): array => ['definition' => new JsonMap($one['definition'])] + $one,
            (new StarterDefinitions($this->catalogue->catalogue()))->all(),
        );
    }

    /**
     * Counts the records that some of the suggested modules would list now. The list of suggestions does not wait for
     * the counts.
     *
     * @return JsonMap<StartingRecordsShape> by key, without those that are gone meanwhile
     */
    public function startingRecords(ModuleRecordsRequest $request): JsonMap
    {
        $keys = array_flip(array_values($request->validated()['keys']));
        $starts = array_column(
            (new StarterDefinitions($this->catalogue->catalogue()))->all(),
            'definition',
            'key',
        );

        return new JsonMap($this->starting->of(
            array_intersect_key($starts, $keys),
            $this->store->reader(),
            $this->contexts->now(),
        ));
    }

    /** @return Created<ModuleWholeShape> */
    public function store(CreateModuleRequest $request): Created
    {
        $given = $request->validated();

        return new Created($this->shape->whole($this->store->create($given['name'], $request->definition())));
    }

    /** @return ModuleWholeShape */
    public function show(string $key): array
    {
        return $this->shape->whole($this->row($key));
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request, string $key): array
    {
        $given = $request->validated();
        $row = $this->store->saveDraft($this->row($key), $request->definition(), (int) $given['revision']);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /**
     * Checks a definition that was typed by hand. Answers with the definition, or with its faults.
     *
     * @return array{definition: DefinitionShape}
     */
    public function check(DefinitionRequest $request): array
    {
        return ['definition' => $this->store->read($request->definition())->toArray()];
    }

    /** @return ModuleWholeShape */
    public function publish(RevisionRequest $request, string $key): array
    {
        return $this->shape->whole($this->store->publish($this->row($key), $request->seen())->refresh());
    }

    /** @return list<VersionShape> */
    public function versions(string $key): array
    {
        return $this->versions->all($this->row($key));
    }

    /**
     * A published version, which can become the draft again.
     *
     * @return array{definition: DefinitionShape}
     */
    public function version(string $key, int $number): array
    {
        return ['definition' => $this->versions->find($this->row($key), $number) ?? abort(404, 'There is no version '
            ."{$number} of “{$key}”.")];
    }

    /** @return Created<ModuleWholeShape> */
    public function duplicate(string $key): Created
    {
        return new Created($this->shape->whole($this->store->duplicate($this->row($key))));
    }

    /** @return array{change: int|null, title: string, faults: list<string>} */
    public function many(ChangeModulesRequest $request): array
    {
        $given = $request->validated();
        ['change' => $change, 'faults' => $faults] = $this->bulk->do(
            array_map($this->row(...), array_values($given['keys'])),
            $given['do'],
        );

        return ['change' => $change?->id, 'title' => $change->title ?? 'Nothing was published', 'faults' => $faults];
    }

    /**
     * Adds the module to a page's draft, or removes it from there.
     *
     * @return array{page: PageWholeShape, before: PageFileShape, module: ModuleWholeShape} with the page's draft of
     *   before, for taking it back
     */
    public function stand(StandOnPageRequest $request, PageResource $pages, string $key, string $page): array
    {
        $row = $this->row($key);
        ['page' => $changed, 'before' => $before] = $this->placements->stand(
            $row,
            $page,
            $request->boolean('stands'),
        );
        $this->places->forget();

        return [
            'page' => $pages->whole($changed), 'before' => $pages->written($before),
            'module' => $this->shape->whole($row),
        ];
    }

    private function row(string $key): ModuleRow
    {
        return $this->store->find($key) ?? abort(404, "There is no module “{$key}”.");
    }
}
