<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\CatalogueStore;
use App\History\ItemRestorer;
use App\History\RevisionRecorder;
use App\Models\Item;
use App\Models\Revision;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Restores items from earlier revisions. */
final readonly class RevisionRestorer implements ItemRestorer
{
    public function __construct(
        private CatalogueStore $catalogue,
        private ItemWriter $writer,
        private ItemChecks $checks,
    ) {
    }

    public function lock(array $ids): void
    {
        ItemWriter::lock($ids);
    }

    /**
     * An earlier state of an item, without terms, items, people and files that no longer exist.
     *
     * @throws Refused when its content type is gone
     */
    public function stateOf(Revision $revision): ItemDraft
    {
        return $this->draft($this->type($revision->type_key), $revision);
    }

    public function bringBack(array $rows, RevisionRecorder $recorder): array
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
     * @param  \stdClass  $row  a row of `change_items`
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
