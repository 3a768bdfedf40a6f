<?php

declare(strict_types=1);

namespace App\History;

use App\Audit\AuditTrail;
use App\Enums\AuditAction;
use App\Models\Change;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Undoes a change: items return to the revision before it, items that it created are removed, removed ones are
 * restored.
 */
final readonly class Undo
{
    /** Number of items that are restored together. */
    private const LOT = 500;

    /** @param  iterable<UndoHandler>  $handlers  one for each kind of change that does more than write items */
    public function __construct(
        private ItemRestorer $items,
        private iterable $handlers,
    ) {
    }

    /**
     * An item that was changed again since stays as it is.
     *
     * @param  (\Closure(int): void)|null  $progress  receives the number of processed items
     * @return array{undone: int, left: list<string>} how many items returned, and which did not, with the reason
     */
    public function undo(Change $change, ?\Closure $progress = null): array
    {
        $left = [];
        $undone = 0;
        RevisionRecorder::change(
            'undo',
            "Took back: {$change->title}",
            'taken back',
            function (RevisionRecorder $recorder) use ($change, $progress, &$left, &$undone): void {
                [$left, $undone] = [[], 0];
                $change = Change::query()->lockForUpdate()->findOrFail($change->id);
                if ($change->undone_at !== null) {
                    throw Refused::because('', ProblemCode::Undone, "“{$change->title}” was taken back already.");
                }
                $this->items->lock(
                    array_values(
                        array_map(
                            intval(...),
                            DB::table('change_items')->where('change_id', $change->id)->pluck('item_id')->all(),
                        ),
                    ),
                );
                foreach ($this->handlers as $handler) {
                    $undone += $handler->kind() === $change->kind ? $handler->undo($change, $recorder) : 0;
                }
                $undone += $this->removeMade($change, $recorder, $progress);
                $done = $undone;
                $touched = DB::table('change_items')->where('change_id', $change->id)->orderBy('item_id');
                foreach ($touched->lazy(self::LOT)->chunk(self::LOT) as $rows) {
                    $reasons = $this->items->bringBack(array_values($rows->all()), $recorder);
                    $undone += count($rows) - count($reasons);
                    array_push($left, ...array_filter($reasons));
                    $progress === null || $progress($done += count($rows));
                }
                $this->linkAgain($change);
                AuditTrail::record(AuditAction::Undone, $change->title, ['change' => $change->id]);
                $change->undone_at = now()->toImmutable();
                $change->save();
            },
        );

        return ['undone' => $undone, 'left' => $left];
    }

    /**
     * Removes the items that the change created and nobody has changed since, in batches, because an import may have
     * created very many.
     *
     * @param  (\Closure(int): void)|null  $progress
     */
    private function removeMade(Change $change, RevisionRecorder $recorder, ?\Closure $progress): int
    {
        $removed = 0;
        do {
            $some = Item::query()
                ->whereIn('id', DB::table('change_items')->join('items', 'items.id', '=', 'change_items.item_id')
                    ->where('change_id', $change->id)->whereNull('before')->whereColumn(
                        'items.revision',
                        'change_items.after',
                    )->select('items.id')->limit(self::LOT))
                ->get();
            $recorder->removing($some);
            Item::query()->whereKey($some->modelKeys())->delete();
            $removed += $some->count();
            $progress === null || $progress($removed);
        } while ($some->isNotEmpty());

        return $removed;
    }

    /** Restores the links from and to the removed items, if both ends exist. */
    private function linkAgain(Change $change): void
    {
        foreach (array_chunk((array) ($change->data['links'] ?? []), 500) as $links) {
            $there = Item::query()
                ->whereIn(
                    'id',
                    array_merge(array_column($links, 'item_id'), array_filter(array_column($links, 'target_id'))),
                )
                ->pluck('id')
                ->flip();
            DB::table('item_links')->insertOrIgnore(array_values(array_filter(
                $links,
                fn (mixed $link): bool => is_array($link) && $there->has($link['item_id']) && (
                    $link['target_id'] === null || $there->has($link['target_id'])
                ),
            )));
        }
    }
}
