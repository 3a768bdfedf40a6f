<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Content\BulkEdit;
use App\Content\ItemQuery;
use App\Content\ManualOrder;
use App\Content\PeopleNames;
use App\Content\TablePresets;
use App\Http\RequestText;
use App\Http\Resources\ItemResource;
use App\Models\Term;
use App\Models\User;
use App\Tasks\Tasks;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Refused;

/** The items of a type as a table: found, ordered, a page at a time; what a person keeps of it; and edits of many. */
final readonly class ItemTableController
{
    private const ON_PAGE = 50;

    /** Items that are shown to be put in order by hand. */
    private const BY_HAND = 500;

    public function __construct(
        private CatalogueStore $catalogue,
        private ItemQuery $items,
        private ItemResource $shape,
        private PeopleNames $names,
    ) {
    }

    /** @return array<string, mixed> */
    public function index(Request $request): array
    {
        $given = $request->validate([
            'type' => ['required', 'string'],
            'q' => ['nullable', 'string', 'max:200'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'direction' => ['nullable', 'in:asc,desc'],
        ]);
        $type = $this->type($given['type']);
        $page = (int) ($given['page'] ?? 1);
        $sort = RequestText::text($request, 'sort') ?: 'updated_at';
        $query = $this->items->find($type, $request->query->all(), $this->who($request));
        $total = (clone $query)->count();
        $items = $this->items->order(
            $query,
            $type,
            $sort,
            ($given['direction'] ?? 'desc') === 'asc',
        )->forPage($page, self::ON_PAGE);

        return [
            'total' => $total,
            'pages' => max(1, (int) ceil($total / self::ON_PAGE)),
            'page' => $page,
            'items' => $this->shape->rows($items, $type, $this->who($request)),
        ];
    }

    /** Answers the change, how many were changed and which were not; where there are many, the task that does so. */
    public function many(Request $request, Tasks $tasks): JsonResponse
    {
        $given = $request->validate([
            'type' => ['required', 'string'],
            'do' => ['required', 'in:publish,unpublish,addTerms,removeTerms,set,delete'],
            'ids' => ['nullable', 'array'],
            'ids.*' => ['integer'],
        ]);
        $type = $this->type($given['type']);
        $all = $request->json()->all();
        $found = $this->items->find($type, (array) ($all['query'] ?? []), $this->who($request))
            ->when(isset($given['ids']), fn (Builder $query): Builder => $query->whereIn('items.id', $given['ids']))
            ->limit(BulkEdit::MOST + 1)->pluck('items.id')->all();
        $ids = array_values(array_map(fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $found));
        if ($ids === []) {
            throw Refused::because('ids', 'missing', 'expected at least one item.');
        }

        $with = (array) ($all['with'] ?? []);
        $with['values'] = $this->names->sentBy($this->who($request), $type, (array) ($with['values'] ?? []));
        if (Gate::denies('manage')) {
            // Whose an item is, only managers say.
            unset($with['values']['author']);
        }
        $title = ['publish' => 'Publish', 'unpublish' => 'Make drafts of', 'delete' => 'Remove'][$given['do']]
            ?? 'Edit';

        return $tasks->run(
            BulkEdit::class,
            $title.' '.count($ids).' '.mb_strtolower($type->plural),
            ['type' => $type->key, 'ids' => $ids, 'do' => $given['do'], 'with' => $with],
            count($ids),
        );
    }

    /**
     * @return array{state: mixed, selections: list<array{id: int, name: string, state: mixed}>} how this person last
     *   had the table, and what they saved
     */
    public function presets(Request $request, string $key, TablePresets $presets): array
    {
        return $presets->of($this->who($request), $this->type($key)->key);
    }

    /** @return array{state: mixed, selections: list<array{id: int, name: string, state: mixed}>} */
    public function savePreset(Request $request, string $key, TablePresets $presets): array
    {
        $given = $request->validate([
            'name' => ['present', 'nullable', 'string', 'max:100'],
            'state' => ['required', 'array'],
        ]);
        $state = (array) $request->json()->all()['state'];
        $presets->save($this->who($request), $this->type($key)->key, (string) ($given['name'] ?? ''), $state);

        return $this->presets($request, $key, $presets);
    }

    /** @return array{state: mixed, selections: list<array{id: int, name: string, state: mixed}>} */
    public function removePreset(Request $request, string $key, int $id, TablePresets $presets): array
    {
        $presets->remove($this->who($request), $id);

        return $this->presets($request, $key, $presets);
    }

    /** @return list<array{id: int, title: string, placed: bool}> */
    public function byHand(Request $request, string $key, ManualOrder $byHand): array
    {
        return $byHand->list($this->type($key), $this->term($request->query('term')), self::BY_HAND);
    }

    /** @return list<array{id: int, title: string, placed: bool}> */
    public function placeByHand(Request $request, string $key, ManualOrder $byHand): array
    {
        $given = $request->validate(['ids' => ['present', 'array', 'max:'.self::BY_HAND], 'ids.*' => ['integer']]);
        $term = $this->term($request->json('term'));
        $byHand->place($this->type($key), $term, array_values(array_map(intval(...), $given['ids'])));

        return $byHand->list($this->type($key), $term, self::BY_HAND);
    }

    private function term(mixed $id): ?Term
    {
        return is_numeric($id) ? Term::query()->findOrFail((int) $id) : null;
    }

    private function type(string $key): Type
    {
        return $this->catalogue->catalogue()->type($key)
            ?? throw Refused::because(
                'type',
                'unknownType',
                'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.',
            );
    }

    private function who(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }
}
