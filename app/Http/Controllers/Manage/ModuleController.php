<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Http\Resources\ModuleResource;
use App\Listing\CachedListing;
use App\Listing\ContextFactory;
use App\Models\Module as ModuleRow;
use App\Modules\BulkModuleChange;
use App\Modules\ModuleStore;
use App\Modules\ModuleVersions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Explain\StarterDefinitions;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

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
    ) {
    }

    /** @return list<array<string, mixed>> */
    public function index(): array
    {
        return array_values($this->store->all()->map($this->shape->summary(...))->all());
    }

    /**
     * How many records some modules show: what visitors get of each, and what its draft would give. Counted beside the
     * list, since counting may take longer than the list itself.
     *
     * @return array<string, array<string, int|null>> `live` and `draft` by key, without those that are gone meanwhile
     */
    public function records(Request $request): array
    {
        $given = $request->validate(['keys' => ['required', 'array', 'max:50'], 'keys.*' => ['string']]);
        $modules = [];
        foreach ($this->store->some(array_values($given['keys'])) as $row) {
            $modules["{$row->key} live"] = $this->store->live($row);
            try {
                $modules["{$row->key} draft"] = $this->store->draft($row);
            } catch (Refused) {
                $modules["{$row->key} draft"] = null;
            }
        }
        $totals = $this->listing->totals(array_filter($modules), $this->contexts->now());
        $records = [];
        foreach (array_keys($modules) as $name) {
            [$key, $which] = explode(' ', $name);
            $records[$key][$which] = $totals[$name] ?? null;
        }

        return $records;
    }

    /** @return list<array{key: string, words: string, definition: array<string, mixed>}> */
    public function starts(): array
    {
        return (new StarterDefinitions($this->catalogue->catalogue()))->all();
    }

    public function store(Request $request): JsonResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'definition' => ['required', 'array'],
        ]);
        $definition = $request->json()->all()['definition'];

        return new JsonResponse(
            $this->shape->whole($this->store->create($given['name'], is_array($definition) ? $definition : [])),
            201,
        );
    }

    /** @return array<string, mixed> */
    public function show(string $key): array
    {
        return $this->shape->whole($this->row($key));
    }

    /** @return array{revision: int, savedAt: string} */
    public function saveDraft(Request $request, string $key): array
    {
        $given = $request->validate(['definition' => ['required', 'array'], 'revision' => ['required', 'integer']]);
        $definition = $request->json()->all()['definition'];
        $row = $this->store->saveDraft(
            $this->row($key),
            is_array($definition) ? $definition : [],
            (int) $given['revision'],
        );

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /**
     * Whether a definition that was written by hand can be read; its faults otherwise.
     *
     * @return array<string, mixed>
     */
    public function check(Request $request): array
    {
        $request->validate(['definition' => ['required', 'array']]);

        return ['definition' => $this->store->read($request->json()->all()['definition'])->toArray()];
    }

    /** @return array<string, mixed> */
    public function publish(string $key): array
    {
        return $this->shape->whole($this->store->publish($this->row($key)));
    }

    /** @return list<array{number: int, publishedAt: string, by: string|null}> */
    public function versions(string $key): array
    {
        return $this->versions->all($this->row($key));
    }

    /**
     * What was published then, to be made the draft again.
     *
     * @return array<string, mixed>
     */
    public function version(string $key, int $number): array
    {
        return ['definition' => $this->versions->find($this->row($key), $number) ?? abort(404, 'There is no version '
            ."{$number} of “{$key}”.")];
    }

    public function duplicate(string $key): JsonResponse
    {
        return new JsonResponse($this->shape->whole($this->store->duplicate($this->row($key))), 201);
    }

    /** @return array{change: int|null, title: string, faults: list<string>} */
    public function many(Request $request): array
    {
        $given = $request->validate([
            'keys' => ['required', 'array', 'min:1'],
            'keys.*' => ['string'],
            'do' => ['required', 'in:publish,off,on,remove'],
        ]);
        ['change' => $change, 'faults' => $faults] = $this->bulk->do(
            array_map($this->row(...), array_values($given['keys'])),
            $given['do'],
        );

        return ['change' => $change?->id, 'title' => $change->title ?? 'Nothing was published', 'faults' => $faults];
    }

    /** @return array<string, mixed> */
    public function place(Request $request, string $key): array
    {
        $given = $request->validate(['pages' => ['present', 'array'], 'pages.*' => ['integer', 'exists:pages,id']]);
        $row = $this->row($key);
        $this->store->place($row, array_values(array_map(intval(...), $given['pages'])));

        return $this->shape->whole($row->refresh());
    }

    private function row(string $key): ModuleRow
    {
        return $this->store->find($key) ?? abort(404, "There is no module “{$key}”.");
    }
}
