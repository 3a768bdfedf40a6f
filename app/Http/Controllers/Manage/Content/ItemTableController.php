<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Catalogue\CatalogueStore;
use App\Catalogue\PeopleNames;
use App\Content\BulkEdit;
use App\Content\ItemQuery;
use App\Content\ManualOrder;
use App\Content\TablePresets;
use App\Http\Requests\Content\ByHandRequest;
use App\Http\Requests\Content\ChangeItemsRequest;
use App\Http\Requests\Content\ItemTableRequest;
use App\Http\Requests\Content\PlaceByHandRequest;
use App\Http\Requests\Content\SavePresetRequest;
use App\Http\RequestText;
use App\Http\Resources\ItemResource;
use App\Media\FilesOfAuthors;
use App\Models\Term;
use App\Models\User;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Audience;

/**
 * The items of a type as a table: search, order and pages; saved views of each person; and bulk changes.
 *
 * @phpstan-import-type ItemShape from ItemResource
 *
 * @phpstan-type ItemPageShape array{total: int, pages: int, page: int, items: list<ItemShape>}
 * @phpstan-type TablePresetsShape array{state: mixed, selections: list<array{id: int, name: string, state: mixed}>}
 * @phpstan-type PlacedItemShape array{id: int, title: string, placed: bool, picture: string|null}
 * @phpstan-type OrderByHandShape array{revision: int, items: list<PlacedItemShape>}
 */
final readonly class ItemTableController
{
    private const ON_PAGE = 50;

    public function __construct(
        private CatalogueStore $catalogue,
        private ItemQuery $items,
        private ItemResource $shape,
        private PeopleNames $names,
    ) {
    }

    /** @return ItemPageShape */
    public function index(ItemTableRequest $request): array
    {
        $given = $request->validated();
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

    /** @return TaskAnswer<array{change: int, done: int, left: list<string>}> what was changed, and what was not */
    public function many(ChangeItemsRequest $request, Tasks $tasks, FilesOfAuthors $files): TaskAnswer
    {
        $given = $request->validated();
        $type = $this->type($given['type']);
        $all = $request->json()->all();
        $found = $this->items->find($type, (array) ($all['query'] ?? []), $this->who($request))
            ->when(isset($given['ids']), fn (Builder $query): Builder => $query->whereIn('items.id', $given['ids']))
            ->limit(BulkEdit::MOST + 1)->pluck('items.id')->all();
        $ids = array_values(array_map(fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $found));
        if ($ids === []) {
            throw Refused::because('ids', ProblemCode::Missing, 'expected at least one item.');
        }

        $with = (array) ($all['with'] ?? []);
        $with['values'] = $this->names->sentBy($this->who($request), $type, (array) ($with['values'] ?? []));
        $files->checkValues($this->who($request), $with['values'], Audience::everyone(), null);
        if (Gate::denies('manage')) {
            // Only managers choose an item's author.
            unset($with['values']['author']);
            if (array_key_exists('audience', $with['values'])) {
                throw Refused::because(
                    'audience',
                    ProblemCode::WrongValue,
                    'change the audience in each item: its files are checked for the new readers.',
                );
            }
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

    /** @return TablePresetsShape how this person last had the table, and what they saved */
    public function presets(Request $request, string $key, TablePresets $presets): array
    {
        return $presets->of($this->who($request), $this->type($key)->key);
    }

    /** @return TablePresetsShape */
    public function savePreset(SavePresetRequest $request, string $key, TablePresets $presets): array
    {
        $given = $request->validated();
        $state = (array) ($request->json()->all()['state'] ?? $given['state'] ?? []);
        $presets->save($this->who($request), $this->type($key)->key, (string) ($given['name'] ?? ''), $state);

        return $this->presets($request, $key, $presets);
    }

    /** @return TablePresetsShape */
    public function removePreset(Request $request, string $key, int $id, TablePresets $presets): array
    {
        $presets->remove($this->who($request), $id);

        return $this->presets($request, $key, $presets);
    }

    /** @return OrderByHandShape */
    public function byHand(ByHandRequest $request, string $key, ManualOrder $byHand): array
    {
        return $this->orderByHand($byHand, $this->type($key), $this->term($request->validated('term')));
    }

    /** @return OrderByHandShape */
    public function placeByHand(PlaceByHandRequest $request, string $key, ManualOrder $byHand): array
    {
        $given = $request->validated();
        $term = $this->term($request->json('term'));
        $ids = array_values(array_map(intval(...), $given['ids']));
        $byHand->place($this->type($key), $term, $ids, $request->revision(true));

        return $this->orderByHand($byHand, $this->type($key), $term);
    }

    /** @return OrderByHandShape */
    private function orderByHand(ManualOrder $byHand, Type $type, ?Term $term): array
    {
        return [
            'revision' => $byHand->revision($type, $term),
            'items' => $byHand->list($type, $term, PlaceByHandRequest::MOST),
        ];
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
                ProblemCode::UnknownType,
                'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.',
            );
    }

    private function who(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }
}
