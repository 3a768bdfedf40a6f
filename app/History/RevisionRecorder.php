<?php

declare(strict_types=1);

namespace App\History;

use App\Audit\Actor;
use App\Catalogue\Records;
use App\Database\PostgresArray;
use App\Models\Change;
use App\Models\Item;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Type;

/**
 * Records every saved state of items, by whom and how, and groups writes that can be undone as one change.
 */
final class RevisionRecorder
{
    /** Maximum number of retries after a deadlock. */
    private const ATTEMPTS = 5;

    /** @var array<int, array<string, mixed>> that go with removed items, by id */
    private array $links = [];

    /**
     * @var array<int, array{change_id: int, item_id: int, before: int|null, after: int|null}> not written yet, by item
     */
    private array $waiting = [];

    /** @param  string  $how  the description in each item's revision: `imported`, `published with others` */
    private function __construct(
        private readonly string $how,
        private readonly int|string|null $user,
        public readonly ?Change $change,
    ) {
    }

    /** For a single write. */
    public static function single(string $how = 'saved'): self
    {
        return new self($how, Actor::id(), null);
    }

    /**
     * Runs the work as one change. Either everything is written or nothing. After a deadlock the work runs again, so it
     * must not depend on earlier attempts.
     *
     * @param  \Closure(self, Change): void  $work
     */
    public static function change(string $kind, string $title, string $how, \Closure $work): Change
    {
        return DB::transaction(function () use ($kind, $title, $how, $work): Change {
            $change = Change::query()->create([
                'user_id' => Actor::id(),
                'kind' => $kind,
                'title' => $title,
                'data' => [],
                'made_at' => now(),
            ]);
            $recorder = new self($how, Actor::id(), $change);
            $work($recorder, $change);
            $recorder->finish();

            return $change;
        }, self::ATTEMPTS);
    }

    /**
     * Records written items.
     *
     * @param  list<array{Item, int|null, array<string, mixed>}>  $written  each with its revision before (null for a
     *   new item) and its values
     */
    public function wrote(array $written): void
    {
        $rows = [];
        foreach ($written as [$item, $before, $values]) {
            $how = $this->change === null && $before === null ? 'made' : $this->how;
            $rows[] = self::row($item, $values, $how, $this->user);
            $this->note($item->id, $before, $item->revision);
        }
        DB::table('item_revisions')->insert($rows);
    }

    /**
     * Records items before their removal, with the links from and to them.
     *
     * @param  iterable<Item>  $items
     */
    public function removing(iterable $items): void
    {
        $ids = [];
        foreach ($items as $item) {
            $this->note($item->id, $item->revision, null);
            $ids[] = $item->id;
        }
        if ($this->change !== null) {
            foreach (DB::table('item_links')->whereIn('item_id', $ids)->orWhereIn('target_id', $ids)->get() as $link) {
                $this->links[(int) $link->id] = array_diff_key((array) $link, ['id' => 0]);
            }
        }
    }

    /**
     * Records the state before an overwrite, also for items that were not created by ItemWriter.
     *
     * @param  list<Item>  $items
     */
    public static function keep(array $items, Type $type): void
    {
        $kept = array_column(DB::select(
            'select item_id from unnest(?::bigint[], ?::integer[]) as now (id, number) join item_revisions on '
                .'item_id = now.id and item_revisions.number = now.number',
            [
                PostgresArray::literal(array_column($items, 'id')),
                PostgresArray::literal(array_column($items, 'revision')),
            ],
        ), 'item_id', 'item_id');
        $others = array_filter($items, fn (Item $item): bool => ! isset($kept[$item->id]));
        (new Collection($others))->load(Item::whole());
        DB::table('item_revisions')->insert(array_map(
            fn (Item $item): array => self::row($item, Records::values($item, $type), 'as it was', null),
            array_values($others),
        ));
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private static function row(Item $item, array $values, string $how, int|string|null $user): array
    {
        return [
            'item_id' => $item->id,
            'type_key' => $item->type_key,
            'number' => $item->revision,
            'user_id' => $user,
            'how' => $how,
            'at' => $item->getAttribute('updated_at') ?? now(),
            'values' => json_encode(
                (object) $values,
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
        ];
    }

    private function note(int $item, ?int $before, ?int $after): void
    {
        if ($this->change === null) {
            return;
        }
        // If a change touches an item twice, the state before the first touch counts.
        $this->waiting[$item] = [
            'change_id' => $this->change->id,
            'item_id' => $item,
            'before' => isset($this->waiting[$item]) ? $this->waiting[$item]['before'] : $before,
            'after' => $after,
        ];
        if (count($this->waiting) >= 500) {
            $this->flush();
        }
    }

    private function flush(): void
    {
        if ($this->waiting === []) {
            return;
        }
        DB::table('change_items')->upsert(array_values($this->waiting), ['change_id', 'item_id'], ['after']);
        $this->waiting = [];
    }

    private function finish(): void
    {
        $this->flush();
        if ($this->change !== null && $this->links !== []) {
            $this->change->data = ['links' => array_values($this->links)] + $this->change->data;
            $this->change->save();
        }
    }
}
