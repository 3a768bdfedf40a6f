<?php

declare(strict_types=1);

namespace App\History;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\ItemChecks;
use App\Content\ItemWriter;
use App\Content\RevisionRecorder;
use App\Enums\AuditAction;
use App\Models\Change;
use App\Models\Item;
use App\Models\Revision;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Takes a change back: items return to the revision before it, what it made goes, what it removed comes again. */
final readonly class Undo
{
    /** How many items are brought back with a few queries together. */
    private const LOT = 500;

    /** @param  iterable<UndoHandler>  $handlers  one a kind of change that does more than write items */
    public function __construct(
        private CatalogueStore $catalogue,
        private ItemWriter $writer,
        private ItemChecks $checks,
        private iterable $handlers,
    ) {
    }

    /**
     * An item that was changed again since is left as it is now.
     *
     * @param  (\Closure(int): void)|null  $progress  told how many items are done
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
                ItemWriter::lock(
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
                    $reasons = $this->bringBackAll(array_values($rows->all()), $recorder);
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
     * An earlier state of an item, without what it names and the site has no more.
     *
     * @throws Refused when its content type is gone
     */
    public function stateOf(Revision $revision): ItemDraft
    {
        return $this->draft($this->type($revision->type_key), $revision);
    }

    /**
     * What the change made and nobody touched since goes, many at a time: an import may have made very many.
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

    /** What was linked from and to the removed items is linked again, where both are there. */
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

    /**
     * @param  list<\stdClass>  $rows  of `change_items`
     * @return list<string> why some were not brought back; empty: what the change made is gone already
     */
    private function bringBackAll(array $rows, RevisionRecorder $recorder): array
    {
        $ids = array_map(fn (\stdClass $row): int => (int) $row->item_id, $rows);
        $items = Item::query()->whereKey($ids)->get()->keyBy('id');
        $revisions = Revision::query()
            ->whereIn('item_id', $ids)
            ->whereIn('number', array_unique(array_filter(array_column($rows, 'before'))))
            ->get()
            ->keyBy(fn (Revision $revision): string => "{$revision->item_id} {$revision->number}");
        $reasons = $changes = [];
        foreach ($rows as $row) {
            $item = $items->get((int) $row->item_id);
            $revision = $revisions->get("{$row->item_id} {$row->before}");
            $reason = self::reasonAgainst($row, $item, $revision);
            if ($reason === null && $revision !== null) {
                try {
                    $type = $this->type($revision->type_key);
                    $draft = $this->draft($type, $revision);
                    $item === null
                        ? $this->restore((int) $row->item_id, $type, $draft, $recorder)
                        : $changes[$type->key][] = [$item, $draft];
                } catch (Refused $refused) {
                    $title = is_string($revision->values['title'] ?? null) ? $revision->values['title'] : 'An item';
                    $reason = "“{$title}”: {$refused->problems[0]}";
                }
            }
            $reason === null || $reasons[] = $reason;
        }
        foreach ($changes as $type => $ofType) {
            $this->writer->updateAll($this->type($type), $ofType, $recorder);
        }

        return $reasons;
    }

    /**
     * @param  \stdClass  $row  of `change_items`
     * @param  Revision|null  $revision  the state before the change
     * @return string|null why the item cannot be brought back; empty: what the change made is gone already
     */
    private static function reasonAgainst(\stdClass $row, ?Item $item, ?Revision $revision): ?string
    {
        if ($item === null && ($row->before === null || $row->after !== null)) {
            return $row->before === null ? '' : 'An item that was changed has been removed since.';
        }
        if ($item !== null && $row->after !== null && $item->revision !== (int) $row->after) {
            return "“{$item->title}” was changed again since.";
        }

        return $revision === null || $item !== null && $row->after === null
            ? 'An item’s earlier state is no longer kept.'
            : null;
    }

    private function restore(int $id, Type $type, ItemDraft $draft, RevisionRecorder $recorder): void
    {
        $this->checks->check($type, $draft);
        $last = Revision::query()->where('item_id', $id)->max('number');
        $this->writer->create($type, $draft, as: $id, after: is_numeric($last) ? (int) $last : 0, recorder: $recorder);
    }

    /** @throws Refused */
    private function draft(Type $type, Revision $revision): ItemDraft
    {
        $reader = new ItemReader($type);
        $values = array_intersect_key($revision->values, array_flip($reader->columns()));
        foreach ($type->taxonomies as $key => $taxonomy) {
            $values[$key] = array_values(
                array_filter(
                    (array) ($values[$key] ?? []),
                    fn (mixed $slug): bool => is_string($slug) && $taxonomy->terms->find($slug) !== null,
                ),
            );
        }

        return $this->checks->withoutMissing($type, $reader->fromValues($values, []));
    }

    private function type(string $key): Type
    {
        return $this->catalogue->catalogue()->type($key)
            ?? throw Refused::because('', ProblemCode::UnknownType, "There is no content type “{$key}” any more.");
    }
}
