<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\CatalogueStore;
use App\Content\Html\SafeHtml;
use App\Database\FreeName;
use App\Database\PostgresArray;
use App\History\RevisionRecorder;
use App\Models\Item;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Time\Iso8601;

/** Stores items. The form, imports and bulk changes all use this class. */
final readonly class ItemWriter
{
    /** Maximum number of retries after a deadlock. */
    private const ATTEMPTS = 5;

    /** The columns of an existing item that are overwritten, with their PostgreSQL types. */
    private const COLUMNS = [
        'slug' => 'text', 'title' => 'text', 'status' => 'text', 'publish_at' => 'timestamptz',
        'expire_at' => 'timestamptz', 'audience' => 'text[]', 'author_id' => 'bigint', 'lead' => 'boolean',
        'text' => 'text', 'fields' => 'jsonb', 'folded' => 'jsonb', 'words' => 'jsonb', 'term_ids' => 'bigint[]',
        'revision' => 'integer', 'updated_at' => 'timestamptz',
    ];

    private ItemRelations $relations;

    public function __construct(
        private CatalogueStore $catalogue,
        private SafeHtml $html,
        private ItemReferences $references,
    ) {
        $this->relations = new ItemRelations($catalogue, $references);
    }

    /**
     * @param  int|null  $as  the id before its removal
     * @param  int  $after  the number of its last revision
     *
     * @throws Refused when another item takes the slug at the same moment
     */
    public function create(
        Type $type,
        ItemDraft $draft,
        ?int $as = null,
        int $after = 0,
        ?RevisionRecorder $recorder = null,
    ): Item {
        $item = new Item(['type_key' => $type->key]);
        if ($as !== null) {
            $item->id = $as;
        }
        $item->revision = $after + 1;
        $draft = $this->withSafeTexts($type, $draft);

        return $this->together(
            $type,
            fn (): Item => $this->insert($type, [[$item, $draft]], [], $recorder ?? RevisionRecorder::single())[0],
        );
    }

    /**
     * Creates many items in a few statements.
     *
     * @param  list<ItemDraft>  $drafts
     * @param  array<array-key, mixed>  $reserved  slugs, as keys, that a generated slug must not use
     *
     * @throws Refused when another item takes one of the slugs at the same moment
     */
    public function createAll(Type $type, array $drafts, array $reserved, RevisionRecorder $recorder): void
    {
        $new = array_map(function (ItemDraft $draft) use ($type): array {
            $item = new Item(['type_key' => $type->key]);
            $item->revision = 1;

            return [$item, $this->withSafeTexts($type, $draft)];
        }, $drafts);
        $this->together($type, fn (): array => $this->insert($type, $new, $reserved, $recorder));
    }

    /**
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     * @throws ModelNotFoundException when it was removed meanwhile
     */
    public function update(
        Item $item,
        Type $type,
        ItemDraft $draft,
        ?int $revision = null,
        ?RevisionRecorder $recorder = null,
    ): Item {
        $draft = $this->withSafeTexts($type, $draft);

        return $this->together($type, fn (): Item => $this->overwrite(
            $type,
            self::locked([$item], $revision),
            [$draft],
            $recorder ?? RevisionRecorder::single(),
        )[0]);
    }

    /**
     * Overwrites many items in a few statements.
     *
     * @param  list<array{Item, ItemDraft}>  $changes
     *
     * @throws ModelNotFoundException when one was removed meanwhile
     */
    public function updateAll(Type $type, array $changes, RevisionRecorder $recorder): void
    {
        $drafts = array_map(
            fn (ItemDraft $draft): ItemDraft => $this->withSafeTexts($type, $draft),
            array_column($changes, 1),
        );
        $this->together($type, fn (): array => $this->overwrite(
            $type,
            self::locked(array_column($changes, 0)),
            $drafts,
            $recorder,
        ));
    }

    /**
     * Removes items. Their revisions stay, so that they can be restored.
     *
     * @param  list<Item>  $items  of one type
     * @param  int|null  $revision  the revision that the person saw; null to remove them in any case
     *
     * @throws StaleWrite
     * @throws ModelNotFoundException when one was removed meanwhile
     */
    public function remove(array $items, RevisionRecorder $recorder, ?int $revision = null): void
    {
        $this->together(null, function () use ($items, $recorder, $revision): void {
            $items = self::locked($items, $revision);
            $type = $items === [] ? null : $this->catalogue->catalogue()->type($items[0]->type_key);
            if ($type !== null) {
                RevisionRecorder::keep($items, $type);
            }
            $recorder->removing($items);
            Item::query()->whereKey(array_column($items, 'id'))->delete();
        });
    }

    /**
     * Locks items against other writes, in order of their ids, which prevents deadlocks. Writes that only link to them
     * do not wait.
     *
     * @param  list<int>  $ids
     */
    public static function lock(array $ids): void
    {
        sort($ids);
        foreach (array_chunk($ids, 5000) as $some) {
            DB::select(
                'select id from items where id = any(?::bigint[]) order by id for no key update',
                [PostgresArray::literal($some)],
            );
        }
    }

    /**
     * Keeps the type unchanged until the transaction ends. Call it before items are locked, because a change of the
     * type locks in the same order.
     *
     * @throws Refused when the type was changed or removed since the catalogue was read
     */
    public function lockType(Type $type): void
    {
        $now = DB::scalar('select revision from types where key = ? for share', [$type->key]);
        $read = $this->catalogue->revisionOf($type);
        if ($read !== null && $read !== $now) {
            throw Refused::because(
                '',
                ProblemCode::ChangedSince,
                "the content type {$type->plural} was changed a moment ago. Nothing was written. Load the form again.",
            );
        }
    }

    /**
     * The current items, locked.
     *
     * @param  list<Item>  $items
     * @param  int|null  $revision  the required revision of each; null: any
     * @return list<Item> in the same order
     *
     * @throws StaleWrite
     * @throws ModelNotFoundException
     */
    private static function locked(array $items, ?int $revision = null): array
    {
        $query = Item::query()->orderBy('id');
        $query->getQuery()->lock('for no key update');
        $ids = array_column($items, 'id');
        $locked = $query->findOrFail($ids)->keyBy('id');
        foreach ($locked as $item) {
            if ($revision !== null && $item->revision !== $revision) {
                throw new StaleWrite($item->revision);
            }
        }

        return array_map(fn (int $id): Item => $locked[$id], $ids);
    }

    /**
     * @param  list<Item>  $items  locked
     * @param  list<ItemDraft>  $drafts  one for each item
     * @return list<Item>
     */
    private function overwrite(Type $type, array $items, array $drafts, RevisionRecorder $recorder): array
    {
        if ($items === []) {
            return [];
        }
        RevisionRecorder::keep($items, $type);
        $this->references->load($type, $drafts);
        $terms = $this->relations->termsOfAll($items, $drafts);
        $rows = $changes = $revisions = [];
        foreach ($items as $n => $item) {
            $draft = self::prepared($drafts[$n], $drafts[$n]->slug ?? $item->slug, $item->publish_at);
            $this->fill($item, $type, $draft);
            $item->fill(['slug' => $draft->slug, 'folded' => ItemTexts::folded($type, $draft)]);
            $item->term_ids = $terms[$n];
            $before = $item->revision++;
            $rows[] = ['id' => $item->id] + array_intersect_key($item->getAttributes(), self::COLUMNS);
            $changes[$n] = [$item->syncOriginal()->setRelations([]), $draft];
            $revisions[] = [$item, $before, $draft->values()];
        }
        $columns = array_keys(self::COLUMNS);
        DB::statement('update items set '.implode(', ', array_map(
            fn (string $column, string $type): string => "{$column} = new.{$column}::{$type}",
            $columns,
            self::COLUMNS,
        )).' from jsonb_to_recordset(?::jsonb) as new(id bigint, '.implode(' text, ', $columns).' text) '
            .'where items.id = new.id', [json_encode($rows, JSON_THROW_ON_ERROR)]);
        $this->relations->replace($type, $changes);
        $recorder->wrote($revisions);

        return $items;
    }

    /**
     * @param  list<array{Item, ItemDraft}>  $new
     * @param  array<array-key, mixed>  $reserved
     * @return list<Item>
     *
     * @throws Refused
     */
    private function insert(Type $type, array $new, array $reserved, RevisionRecorder $recorder): array
    {
        $this->references->load($type, array_column($new, 1));
        $named = $unnamed = $drafts = [];
        foreach ($new as $n => [$item, $draft]) {
            $drafts[$n] = $draft = self::prepared($draft, $draft->slug ?? '', null);
            $this->fill($item, $type, $draft);
            $item->slug = (string) $draft->slug;
            $item->term_ids = $this->relations->terms($draft);
            $item->folded = ItemTexts::folded($type, $draft);
            $item->slug === '' ? $unnamed[] = $item : $named[] = $item;
        }
        if ($named !== [] && $unnamed !== []) {
            // They are inserted separately, but their ids are consecutive.
            $ids = DB::select("select nextval('items_id_seq') as id from generate_series(1, ?)", [count($new)]);
            array_map(fn (array $one, \stdClass $row): mixed => $one[0]->id ??= (int) $row->id, $new, $ids);
        }
        foreach (FreeName::insertNamed($named, 'slug', ['type_key']) as $taken) {
            throw Refused::because(
                'slug',
                ProblemCode::Taken,
                "“{$taken->slug}” was taken a moment ago; expected a slug that no other {$type->label} has.",
            );
        }
        FreeName::insertAll(
            $unnamed,
            'slug',
            ['type_key'],
            function (Item $item): \Closure {
                $base = Slug::from($item->title);

                return fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}";
            },
            $reserved,
            fn (Item $item): array => $item->folded = ['slug' => $item->slug] + $item->folded,
        );
        $made = $revisions = [];
        foreach (array_column($new, 0) as $n => $item) {
            $draft = $drafts[$n]->with($item->slug, $drafts[$n]->publishAt, $drafts[$n]->text, $drafts[$n]->fields);
            $made[] = [$item, $draft];
            $revisions[] = [$item, null, $draft->values()];
        }
        $this->relations->add($type, $made);
        $recorder->wrote($revisions);

        return array_column($made, 0);
    }

    /** Call this before the transaction: cleaning long texts takes time, while others would wait for its locks. */
    private function withSafeTexts(Type $type, ItemDraft $draft): ItemDraft
    {
        return $draft->withTexts(
            $draft->text === null ? null : $this->html->safe($draft->text),
            $this->html->safeFields($type->fields, $draft->fields),
        );
    }

    /** The draft with its final slug and date. */
    private static function prepared(ItemDraft $draft, string $slug, ?CarbonImmutable $publishAt): ItemDraft
    {
        return $draft->with(
            $slug,
            $draft->publishAt
                ?? ($draft->status->value === 'published' ? Iso8601::format($publishAt ?? now()) : null),
            $draft->text,
            $draft->fields,
        );
    }

    private function fill(Item $item, Type $type, ItemDraft $draft): void
    {
        $item->fill([
            'title' => $draft->title,
            'status' => $draft->status->value,
            'publish_at' => $draft->publishAt,
            'expire_at' => $draft->expireAt,
            'audience' => $draft->audience->keys,
            'author_id' => $draft->author === null ? null : $this->references->personId($draft->author),
            'lead' => $draft->lead,
            'text' => $draft->text,
            'fields' => array_filter(
                $draft->fields,
                fn (string $key): bool => ! $type->fields[$key]->family()->isLink(),
                ARRAY_FILTER_USE_KEY,
            ),
            'words' => ItemTexts::words($type, $draft),
        ]);
        $item->updated_at = now()->toImmutable();
    }

    /**
     * Runs the work in the current transaction, or in a new one that is retried after a deadlock. Inside an import, a
     * savepoint for each item would need a lock for each item, and PostgreSQL has space for some thousands.
     *
     * @template T
     *
     * @param  Type|null  $type  must not change meanwhile
     * @param  \Closure(): T  $work
     * @return T
     */
    private function together(?Type $type, \Closure $work): mixed
    {
        $locked = function () use ($type, $work): mixed {
            $type === null || $this->lockType($type);

            return $work();
        };

        return DB::transactionLevel() > 0 ? $locked() : DB::transaction($locked, self::ATTEMPTS);
    }
}
