<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\CatalogueStore;
use App\Listing\Listing;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Module\Sentences;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Audience;

final readonly class ModuleController
{
    public function __construct(private ModuleStore $store, private Listing $listing, private CatalogueStore $catalogue)
    {
    }

    /** @return list<array<string, mixed>> */
    public function index(): array
    {
        return array_values(ModuleRow::query()->with('pages')->orderBy('key')->get()->map($this->summary(...))->all());
    }

    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:200'], 'type' => ['required', 'string']]);
        if ($this->catalogue->catalogue()->type($given['type']) === null) {
            throw Refused::because('type', 'unknownType', 'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.');
        }

        return new JsonResponse($this->whole($this->store->create($given['name'], $given['type'])), 201);
    }

    /** @return array<string, mixed> */
    public function show(string $key): array
    {
        return $this->whole($this->row($key));
    }

    /** @return array{revision: int, savedAt: string} */
    public function saveDraft(Request $request, string $key): array
    {
        $given = $request->validate(['definition' => ['required', 'array'], 'revision' => ['required', 'integer']]);
        $row = $this->store->saveDraft($this->row($key), $this->store->read($request->json()->all()['definition']), (int) $given['revision']);

        return ['revision' => $row->revision, 'savedAt' => Instant::write($row->updated_at)];
    }

    /** @return array<string, mixed> */
    public function publish(Request $request, string $key): array
    {
        $user = $request->user();

        return $this->whole($this->store->publish($this->row($key), $user instanceof User ? $user : null));
    }

    /** @return array<string, mixed> */
    public function place(Request $request, string $key): array
    {
        $given = $request->validate(['pages' => ['present', 'array'], 'pages.*' => ['integer', 'exists:pages,id']]);
        $row = $this->row($key);
        $this->store->place($row, array_values(array_map(intval(...), $given['pages'])));

        return $this->whole($row->refresh());
    }

    private function row(string $key): ModuleRow
    {
        return $this->store->find($key) ?? abort(404, "There is no module “{$key}”.");
    }

    /** @return array<string, mixed> */
    private function whole(ModuleRow $row): array
    {
        return [
            'key' => $row->key,
            'definition' => $row->draft,
            'revision' => $row->revision,
            'savedAt' => Instant::write($row->updated_at),
            'pages' => $this->pages($row),
        ] + $this->state($row);
    }

    /** @return array<string, mixed> */
    private function summary(ModuleRow $row): array
    {
        $summary = ['key' => $row->key, 'name' => $row->draft['name'] ?? $row->key, 'savedAt' => Instant::write($row->updated_at), 'pages' => $this->pages($row)] + $this->state($row);
        try {
            $module = $this->store->draft($row);

            return $summary + ['type' => $module->source->plural, 'line' => Sentences::asLine($module), 'records' => $this->listing->total($module, new \DateTimeImmutable, Audience::SignedOut)];
        } catch (Refused $refused) {
            return $summary + ['problem' => (string) $refused->problems[0]];
        }
    }

    /** @return array{live: bool, changed: bool, publishedAt: string|null} */
    private function state(ModuleRow $row): array
    {
        return [
            'live' => $row->live !== null,
            'changed' => $row->live !== null && json_encode($row->live) !== json_encode($row->draft),
            'publishedAt' => $row->published_at === null ? null : Instant::write($row->published_at),
        ];
    }

    /** @return list<array{id: int, title: string, address: string}> */
    private function pages(ModuleRow $row): array
    {
        return array_values($row->loadMissing('pages')->pages->map(fn (Page $page): array => ['id' => $page->id, 'title' => $page->title, 'address' => $page->address])->all());
    }
}
