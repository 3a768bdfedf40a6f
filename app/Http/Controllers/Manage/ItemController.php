<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\CatalogueStore;
use App\Content\Drafts;
use App\Content\ItemWriter;
use App\Content\Ledger;
use App\Content\Records;
use App\Content\Revisions;
use App\Content\StaleWrite;
use App\Content\Undo;
use App\Http\Asked;
use App\Listing\Contexts;
use App\Models\Item;
use App\Models\Revision;
use App\Models\User;
use App\Site\WhereShown;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Differences;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Refused;

/** One item: its form, its draft, its revisions, and where it shows. Authors have only their own. */
final readonly class ItemController
{
    public function __construct(private CatalogueStore $catalogue, private ItemWriter $writer, private ItemShape $shape, private Drafts $drafts, private Revisions $revisions)
    {
    }

    /** @return array<string, mixed> */
    public function show(Request $request, int $id): array
    {
        $item = $this->own($request, $id);

        return $this->shape->whole($item, $this->type($item->type_key)) + ['draft' => $this->drafts->of($this->who($request), $item->type_key, $item)];
    }

    /** @return array<string, mixed> what a new item begins with, and the draft of one that was begun */
    public function begin(Request $request, string $key): array
    {
        $type = $this->type($key);

        return ['values' => (object) (['status' => 'published', 'audience' => 'everyone'] + $type->defaults()), 'draft' => $this->drafts->of($this->who($request), $key, null)];
    }

    public function store(Request $request): JsonResponse
    {
        $type = $this->type(Asked::text($request, 'type'));
        $draft = $this->byWho($request, (new ItemReader($type))->fromValues($this->values($request)), null);
        $this->writer->check($type, $draft);
        $item = $this->writer->create($type, $draft);
        $this->drafts->drop($this->who($request), $type->key, null);

        return new JsonResponse($this->shape->whole($item, $type) + ['draft' => null], 201);
    }

    /** @return array<string, mixed> */
    public function update(Request $request, int $id): array
    {
        $given = $request->validate(['revision' => ['required', 'integer']]);
        $item = $this->own($request, $id)->load(Item::whole());
        $type = $this->type($item->type_key);
        $standing = Records::values($item, $type);
        $values = $this->values($request);
        if ($item->revision !== (int) $given['revision']) {
            throw new StaleWrite($item->revision, $this->revisions->since($item, $type, (int) $given['revision'], $values));
        }
        $draft = $this->byWho($request, (new ItemReader($type))->fromValues($values, $standing), $item);
        $this->writer->check($type, $draft, $item);
        if (! Differences::same($draft->values(), (new ItemReader($type))->asItStands($standing)->values())) {
            $item = $this->writer->update($item, $type, $draft, (int) $given['revision']);
        }
        $this->drafts->drop($this->who($request), $type->key, $item);

        return $this->shape->whole($item, $type) + ['draft' => null];
    }

    /** @return array{change: int} */
    public function remove(Request $request, int $id, Ledger $ledger): array
    {
        $item = $this->own($request, $id);

        return ['change' => $ledger->change('items', "Removed “{$item->title}”", 'removed', fn () => $this->writer->remove($item))->id];
    }

    /** @return array{keptAt: string} */
    public function keepDraft(Request $request): array
    {
        $given = $request->validate(['type' => ['required', 'string'], 'id' => ['nullable', 'integer'], 'revision' => ['nullable', 'integer']]);
        $item = isset($given['id']) ? $this->own($request, (int) $given['id']) : null;

        return ['keptAt' => $this->drafts->keep($this->who($request), $this->type($given['type'])->key, $item, isset($given['revision']) ? (int) $given['revision'] : null, $this->values($request))];
    }

    /** @return array{dropped: true} */
    public function dropDraft(Request $request): array
    {
        $given = $request->validate(['type' => ['required', 'string'], 'id' => ['nullable', 'integer']]);
        $this->drafts->drop($this->who($request), $given['type'], isset($given['id']) ? $this->own($request, (int) $given['id']) : null);

        return ['dropped' => true];
    }

    /** @return list<array<string, mixed>> */
    public function revisions(Request $request, int $id): array
    {
        $item = $this->own($request, $id);

        return $this->revisions->of($item, $this->type($item->type_key));
    }

    /** @return array<string, mixed> */
    public function bringBack(Request $request, int $id, int $number, Undo $undo): array
    {
        $item = $this->own($request, $id);
        $revision = Revision::query()->where('item_id', $id)->where('number', $number)->firstOrFail();
        $item = $undo->bringBack($item, $revision);

        return $this->shape->whole($item, $this->type($item->type_key)) + ['draft' => null];
    }

    /** @return list<array<string, mixed>> */
    public function shown(Request $request, int $id, WhereShown $where, Contexts $contexts): array
    {
        return $where->of($this->own($request, $id), $contexts->now());
    }

    /** Authors write as themselves; a manager names any author. */
    private function byWho(Request $request, ItemDraft $draft, ?Item $item): ItemDraft
    {
        $who = $this->who($request);
        if ($item === null && $draft->author === null || ! $who->isManager()) {
            return $draft->by($who->email);
        }

        return $draft;
    }

    private function own(Request $request, int $id): Item
    {
        $item = Item::query()->find($id) ?? abort(404, 'There is no such item; it may have been removed.');
        $who = $this->who($request);
        abort_unless($who->isManager() || $item->author_id === $who->id, 403, 'This item is another author’s.');

        return $item;
    }

    private function who(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }

    /** @return array<string, mixed> */
    private function values(Request $request): array
    {
        $values = $request->json()->all()['values'] ?? null;

        return is_array($values) ? $values : throw Refused::because('values', 'notAnObject', 'expected an object with a value under each field’s key.');
    }

    private function type(string $key): Type
    {
        return $this->catalogue->catalogue()->type($key)
            ?? throw Refused::because('type', 'unknownType', 'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.');
    }
}
