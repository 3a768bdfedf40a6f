<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Change;
use App\Models\Item;
use App\Models\Revision;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Type;

/**
 * Keeps every state that an item was ever saved in, by whom and how, and gathers what belongs together into a change
 * that can be undone as one.
 */
final class Ledger
{
    private ?Change $open = null;

    private string $how = 'saved';

    /** @var array<int, array<string, mixed>> that go with removed items, by id */
    private array $links = [];

    /** @var array<int, array{change_id: int, item_id: int, before: int|null, after: int|null}> not written yet, by item */
    private array $waiting = [];

    /**
     * Does the work as one change. All of it is written, or nothing.
     *
     * @param  string  $how  what each item's revision says was done: `imported`, `published with others`
     * @param  \Closure(Change): void  $work
     */
    public function change(string $kind, string $title, string $how, \Closure $work): Change
    {
        return DB::transaction(function () use ($kind, $title, $how, $work): Change {
            $change = Change::query()->create(['user_id' => Auth::id(), 'kind' => $kind, 'title' => $title, 'data' => [], 'made_at' => now()]);
            [$this->open, $this->how] = [$change, $how];
            try {
                $work($change);
                $this->flush();
                if ($this->links !== []) {
                    $change->data = ['links' => array_values($this->links)] + $change->data;
                    $change->save();
                }
            } finally {
                [$this->open, $this->how, $this->waiting, $this->links] = [null, 'saved', [], []];
            }

            return $change;
        });
    }

    /**
     * Does the work, each revision of it saying how it came about.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    public function how(string $how, \Closure $work): mixed
    {
        $before = $this->how;
        $this->how = $how;
        try {
            return $work();
        } finally {
            $this->how = $before;
        }
    }

    /**
     * Notes that an item was written.
     *
     * @param  int|null  $before  its revision before; null when it was made
     * @param  array<string, mixed>  $values
     */
    public function wrote(Item $item, ?int $before, array $values): void
    {
        $how = $this->open === null && $before === null ? 'made' : $this->how;
        DB::table('item_revisions')->insert($this->row($item, $values, $how, Auth::id()));
        $this->note($item->id, $before, $item->revision);
    }

    /**
     * Notes that items are about to be removed, and the links from and to them, which go with them.
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
        if ($this->open !== null) {
            foreach (DB::table('item_links')->whereIn('item_id', $ids)->orWhereIn('target_id', $ids)->get() as $link) {
                $this->links[(int) $link->id] = array_diff_key((array) $link, ['id' => 0]);
            }
        }
    }

    /** What is about to be written over is kept, also where an item came to be by another way than the writer. */
    public function keep(Item $item, Type $type): void
    {
        if (! Revision::query()->where('item_id', $item->id)->where('number', $item->revision)->exists()) {
            DB::table('item_revisions')->insert($this->row($item, Records::values($item->load(Item::whole()), $type), 'as it was', null));
        }
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function row(Item $item, array $values, string $how, int|string|null $user): array
    {
        return [
            'item_id' => $item->id,
            'type_key' => $item->type_key,
            'number' => $item->revision,
            'user_id' => $user,
            'how' => $how,
            'at' => $item->getAttribute('updated_at') ?? now(),
            'values' => json_encode((object) $values, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        ];
    }

    private function note(int $item, ?int $before, ?int $after): void
    {
        if ($this->open === null) {
            return;
        }
        // Of an item that a change touches twice, the state before the first touch counts.
        $this->waiting[$item] = ['change_id' => $this->open->id, 'item_id' => $item, 'before' => isset($this->waiting[$item]) ? $this->waiting[$item]['before'] : $before, 'after' => $after];
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
}
