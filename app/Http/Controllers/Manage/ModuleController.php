<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\CatalogueStore;
use App\Listing\Contexts;
use App\Listing\Listing;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Module\Sentences;
use Wellspring\Core\Module\Starts;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;

final readonly class ModuleController
{
    public function __construct(private ModuleStore $store, private Listing $listing, private CatalogueStore $catalogue, private Contexts $contexts)
    {
    }

    /** @return list<array<string, mixed>> */
    public function index(): array
    {
        return array_values($this->store->all()->map($this->summary(...))->all());
    }

    /** @return list<array{key: string, words: string, definition: array<string, mixed>}> */
    public function starts(): array
    {
        return (new Starts($this->catalogue->catalogue()))->all();
    }

    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:200'], 'definition' => ['required', 'array']]);
        $definition = $request->json()->all()['definition'];

        return new JsonResponse($this->whole($this->store->create($given['name'], is_array($definition) ? $definition : [])), 201);
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
        $definition = $request->json()->all()['definition'];
        $row = $this->store->saveDraft($this->row($key), is_array($definition) ? $definition : [], (int) $given['revision']);

        return ['revision' => $row->revision, 'savedAt' => Instant::write($row->updated_at)];
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
    public function publish(Request $request, string $key): array
    {
        $user = $request->user();

        return $this->whole($this->store->publish($this->row($key), $user instanceof User ? $user : null));
    }

    /** @return list<array{number: int, publishedAt: string, by: string|null}> */
    public function versions(string $key): array
    {
        return $this->store->versions($this->row($key));
    }

    /**
     * What was published then, to be made the draft again.
     *
     * @return array<string, mixed>
     */
    public function version(string $key, int $number): array
    {
        return ['definition' => $this->store->version($this->row($key), $number) ?? abort(404, "There is no version {$number} of “{$key}”.")];
    }

    public function duplicate(string $key): JsonResponse
    {
        return new JsonResponse($this->whole($this->store->duplicate($this->row($key))), 201);
    }

    /** @return array{change: int|null, title: string, faults: list<string>} */
    public function many(Request $request): array
    {
        $given = $request->validate(['keys' => ['required', 'array', 'min:1'], 'keys.*' => ['string'], 'do' => ['required', 'in:publish,off,on,remove']]);
        $rows = array_map($this->row(...), array_values($given['keys']));
        if ($given['do'] !== 'publish') {
            $change = $this->store->many($rows, $given['do']);

            return ['change' => $change->id, 'title' => $change->title, 'faults' => []];
        }
        $user = $request->user();
        $faults = [];
        foreach ($rows as $row) {
            try {
                $this->store->publish($row, $user instanceof User ? $user : null);
            } catch (Refused $refused) {
                $faults[] = "“{$row->key}” was not published: {$refused->problems[0]}";
            }
        }
        $published = count($rows) - count($faults);

        return ['change' => null, 'title' => 'Published '.($published === 1 ? 'one module' : "{$published} modules"), 'faults' => $faults];
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
            'liveDefinition' => $row->live,
            'revision' => $row->revision,
            'savedAt' => Instant::write($row->updated_at),
            'pages' => $this->pages($row),
        ] + $this->state($row);
    }

    /** @return array<string, mixed> */
    private function summary(ModuleRow $row): array
    {
        $summary = [
            'key' => $row->key,
            'name' => $row->draft['name'] ?? $row->key,
            'savedAt' => Instant::write($row->updated_at),
            'by' => $row->user?->name,
            'pages' => $this->pages($row),
        ] + $this->state($row);
        try {
            $module = $this->store->draft($row);

            return $summary + [
                'type' => $module->type()->plural,
                'line' => Sentences::asLine($module),
                'terms' => $this->terms($row->draft['where'] ?? []),
                'records' => $this->listing->total($module, $this->contexts->now()),
            ];
        } catch (Refused $refused) {
            return $summary + ['problem' => implode(' ', array_map(fn (Problem $problem): string => (string) $problem, array_slice($refused->problems, 0, 2)))];
        }
    }

    /** @return list<string> the words that conditions name: terms, choices, texts */
    private function terms(mixed $where): array
    {
        $found = [];
        array_walk_recursive($where, function (mixed $value, string|int $key) use (&$found): void {
            if (is_string($value) && ! in_array($key, ['field', 'test', 'unit', 'from', 'take', 'of'], true)) {
                $found[] = $value;
            }
        });

        return $found;
    }

    /** @return array{live: bool, off: bool, changed: bool, publishedAt: string|null} */
    private function state(ModuleRow $row): array
    {
        return [
            'live' => $row->live !== null,
            'off' => $row->off,
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
