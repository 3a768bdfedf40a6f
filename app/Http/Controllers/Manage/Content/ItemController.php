<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\PeopleNames;
use App\Catalogue\Records;
use App\Content\ItemChecks;
use App\Content\ItemDrafts;
use App\Content\ItemWriter;
use App\Content\RevisionRestorer;
use App\Content\StaleWrite;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\History\Revisions;
use App\Http\Created;
use App\Http\Requests\Content\CreateItemRequest;
use App\Http\Requests\Content\DropItemDraftRequest;
use App\Http\Requests\Content\KeepItemDraftRequest;
use App\Http\Requests\Content\SaveItemRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\RequestText;
use App\Http\Resources\ItemResource;
use App\Http\Resources\JsonMap;
use App\Listing\ContextFactory;
use App\Media\FilesOfAuthors;
use App\Models\Item;
use App\Models\Revision;
use App\Models\User;
use App\Site\Appearances;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Wellspring\Core\Content\Change\Difference;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * One item: its form, its draft, its revisions, and where it shows. Authors may only use their own items.
 *
 * @phpstan-import-type AppearanceShape from Appearances
 * @phpstan-import-type ItemShape from ItemResource
 * @phpstan-import-type ItemDraftShape from ItemResource
 * @phpstan-import-type ValuesShape from ItemResource
 *
 * @phpstan-type NewItemShape array{values: ValuesShape, draft: ItemDraftShape|null}
 * @phpstan-type ItemSaveShape array{number: int, by: string, at: string, how: string, changed: list<Difference>}
 */
final readonly class ItemController
{
    public function __construct(
        private CatalogueStore $catalogue,
        private ItemWriter $writer,
        private ItemChecks $checks,
        private ItemResource $shape,
        private ItemDrafts $drafts,
        private Revisions $revisions,
        private PeopleNames $names,
        private FilesOfAuthors $files,
    ) {
    }

    /** @return ItemShape */
    public function show(Request $request, Item $item): array
    {
        $type = $this->type($item->type_key);

        return [
            ...$this->shape->whole($item, $type, $this->who($request)),
            'draft' => $this->shape->draft($this->who($request), $type, $item),
        ];
    }

    /** @return NewItemShape what a new item begins with, and the draft of one that was begun */
    public function begin(Request $request, string $key): array
    {
        $type = $this->type($key);

        return [
            'values' => new JsonMap(['status' => 'draft', 'audience' => ['everyone']] + $type->defaults()),
            'draft' => $this->shape->draft($this->who($request), $type, null),
        ];
    }

    /** @return Created<ItemShape> */
    public function store(CreateItemRequest $request): Created
    {
        $type = $this->type(RequestText::text($request, 'type'));
        $draft = $this->byWho($request, (new ItemReader($type))->fromValues($this->values($request, $type)), null);
        $this->checks->check($type, $draft);
        $this->files->check($this->who($request), $draft, null);
        $item = $this->writer->create($type, $draft);
        $this->drafts->drop($this->who($request), $type->key, null);

        return new Created($this->shape->whole($item, $type, $this->who($request)));
    }

    /** @return ItemShape */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/ItemConflict'),
    ))]
    public function update(SaveItemRequest $request, Item $item): array
    {
        $given = $request->validated();
        $item->load(Item::whole());
        $type = $this->type($item->type_key);
        $standing = Records::values($item, $type);
        $values = $this->values($request, $type);
        if ($item->revision !== (int) $given['revision']) {
            throw new StaleWrite(
                $item->revision,
                $this->revisions->since($item, $type, (int) $request->revision(true), $values, $this->who($request)),
            );
        }
        $draft = $this->byWho($request, (new ItemReader($type))->fromValues($values, $standing), $item);
        $this->checks->check($type, $draft, $item);
        $this->files->check($this->who($request), $draft, $item);
        if (! Differences::same($draft->values(), (new ItemReader($type))->asItStands($standing)->values())) {
            try {
                $item = $this->writer->update($item, $type, $draft, (int) $given['revision']);
            } catch (StaleWrite $stale) {
                // Another person saved at the same moment.
                throw new StaleWrite(
                    $stale->revision,
                    $this->revisions->since(
                        $item->refresh()->load(Item::whole()),
                        $type,
                        (int) $request->revision(true),
                        $values,
                        $this->who($request),
                    ),
                );
            }
        }
        $this->drafts->drop($this->who($request), $type->key, $item);

        return $this->shape->whole($item, $type, $this->who($request));
    }

    /** @return array{change: int} */
    public function remove(RevisionRequest $request, Item $item): array
    {
        $given = $request->validated();
        $revision = isset($given['revision']) ? (int) $given['revision'] : null;

        $change = RevisionRecorder::change('items', 'Removed '
            ."“{$item->title}”", 'removed', function (RevisionRecorder $recorder) use ($item, $revision): void {
                $this->writer->remove([$item], $recorder, $revision);
                AuditTrail::record(
                    AuditAction::ItemsRemoved,
                    $item->title,
                    ['type' => $item->type_key, 'id' => $item->id],
                );
            });

        return ['change' => $change->id];
    }

    /** @return array{keptAt: string} */
    public function keepDraft(KeepItemDraftRequest $request): array
    {
        $given = $request->validated();
        $item = $this->itemOf($given['id'] ?? null);

        $type = $this->type($given['type']);
        $revision = isset($given['revision']) ? (int) $given['revision'] : null;

        return ['keptAt' => $this->drafts->keep(
            $this->who($request),
            $type->key,
            $item,
            $revision,
            $this->names->typedBy($this->who($request), $type, self::given($request)),
        )];
    }

    /** @return array{dropped: true} */
    public function dropDraft(DropItemDraftRequest $request): array
    {
        $given = $request->validated();
        $this->drafts->drop($this->who($request), $given['type'], $this->itemOf($given['id'] ?? null));

        return ['dropped' => true];
    }

    /** @return list<ItemSaveShape> */
    public function revisions(Request $request, Item $item): array
    {
        return $this->revisions->of($item, $this->type($item->type_key), $this->who($request));
    }

    /** @return ItemShape */
    public function bringBack(RevisionRequest $request, Item $item, int $number, RevisionRestorer $restorer): array
    {
        $revision = Revision::query()->where('item_id', $item->id)->where('number', $number)->firstOrFail();
        $type = $this->type($item->type_key);
        $draft = $this->byWho($request, $restorer->stateOf($revision), $item);
        $this->checks->check($type, $draft, $item);
        $this->files->check($this->who($request), $draft, $item);
        $item = $this->writer->update(
            $item,
            $type,
            $draft,
            (int) $request->revision(true),
            RevisionRecorder::single("brought back revision {$number}"),
        );

        return $this->shape->whole($item, $type, $this->who($request));
    }

    /** @return list<AppearanceShape> */
    public function shown(Request $request, Item $item, Appearances $where, ContextFactory $contexts): array
    {
        return $where->of($item, $contexts->now());
    }

    /** Items of authors have that author; a manager may choose any author. */
    private function byWho(Request $request, ItemDraft $draft, ?Item $item): ItemDraft
    {
        $who = $this->who($request);
        if ($item === null && $draft->author === null || Gate::denies('manage')) {
            return $draft->by($who->email);
        }

        return $draft;
    }

    /** The item of a draft; null for a new item. */
    private function itemOf(mixed $id): ?Item
    {
        $item = is_numeric($id) ? Item::query()->findOrFail((int) $id) : null;
        $item === null || Gate::authorize('edit', $item);

        return $item;
    }

    private function who(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }

    /** @return array<string, mixed> */
    private function values(Request $request, Type $type): array
    {
        return $this->names->sentBy($this->who($request), $type, self::given($request));
    }

    /**
     * @return array<string, mixed> the values as they were sent
     *
     * @throws Refused
     */
    private static function given(Request $request): array
    {
        $values = $request->json()->all()['values'] ?? null;

        return is_array($values)
            ? $values
            : throw Refused::because(
                'values',
                ProblemCode::NotAnObject,
                'expected an object with a value under each field’s key.',
            );
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
}
