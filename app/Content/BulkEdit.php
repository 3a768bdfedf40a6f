<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\Models\Change;
use App\Models\Item;
use App\Tasks\LongWork;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Message;

/**
 * Applies one action to many items, as one change that can be undone.
 *
 * @implements LongWork<array{change: int, done: int, left: list<string>}>
 */
final readonly class BulkEdit implements LongWork
{
    /** Maximum number of items in one change. */
    public const MOST = 5000;

    /** Number of items that are read and written together. */
    private const LOT = 500;

    private const DOES = ['publish', 'unpublish', 'addTerms', 'removeTerms', 'set', 'delete'];

    public function __construct(
        private CatalogueStore $catalogue,
        private ItemWriter $writer,
        private ItemChecks $checks,
    ) {
    }

    public static function key(): string
    {
        return 'manyItems';
    }

    /**
     * @param  array<string, mixed>  $input  type, ids, do, with
     * @return array{change: int, done: int, left: list<string>}
     */
    public function run(array $input, \Closure $progress): array
    {
        $type = $this->catalogue->catalogue()->type(is_string($input['type'] ?? null) ? $input['type'] : '')
            ?? throw Refused::because('type', ProblemCode::UnknownType, 'There is no such content type any more.');
        $do = $input['do'] ?? null;
        $ids = array_values(array_filter((array) ($input['ids'] ?? []), is_int(...)));

        return $this->do(
            $type,
            $ids,
            in_array($do, self::DOES, true) ? $do : 'set',
            (array) ($input['with'] ?? []),
            $progress,
        );
    }

    /**
     * @param  list<int>  $ids
     * @param  'publish'|'unpublish'|'addTerms'|'removeTerms'|'set'|'delete'  $do
     * @param  array<string, mixed>  $with  taxonomy and terms (slugs), or values by column
     * @param  (\Closure(int): void)|null  $progress  receives the number of processed items
     * @return array{change: int, done: int, left: list<string>} how many were changed; which were not, with the reason
     */
    public function do(Type $type, array $ids, string $do, array $with, ?\Closure $progress = null): array
    {
        self::refuseTooMany($ids);
        $terms = str_ends_with($do, 'Terms') ? $this->terms($type, $with) : ['taxonomy' => '', 'slugs' => []];
        sort($ids);
        $left = [];
        $done = 0;
        $change = RevisionRecorder::change(
            'items',
            'Edited many',
            self::how($do),
            function (RevisionRecorder $recorder, Change $change) use (
                $type, $ids, $do, $with, $terms, $progress, &$left, &$done,
            ): void {
                [$left, $done, $seen] = [[], 0, 0];
                $this->writer->lockType($type);
                ItemWriter::lock($ids);
                foreach (array_chunk($ids, self::LOT) as $some) {
                    $items = Item::query()->with($do === 'delete' ? [] : Item::whole())
                        ->where('type_key', $type->key)->whereIn('id', $some)->orderBy('id')->get()->all();
                    $done += $do === 'delete'
                        ? $this->remove(array_values($items), $recorder)
                        : $this->update($type, array_values($items), $do, $with, $terms, $recorder, $left);
                    $progress === null || $progress($seen += count($items));
                }
                if ($do === 'delete') {
                    AuditTrail::record(
                        AuditAction::ItemsRemoved,
                        "{$done} ".mb_strtolower($type->plural),
                        ['change' => $change->id],
                    );
                }
                $change->update(['title' => self::title($do, $done, $done === 1 ? $type->label : $type->plural)]);
            },
        );

        return ['change' => $change->id, 'done' => $done, 'left' => $left];
    }

    /**
     * @param  list<int>  $ids
     *
     * @throws Refused
     */
    private static function refuseTooMany(array $ids): void
    {
        if (count($ids) > self::MOST) {
            throw Refused::because(
                'ids',
                ProblemCode::TooMany,
                'expected at most '.number_format(self::MOST).' items at a time, found '.number_format(count($ids))
                    .'. Narrow the table with a filter first.',
            );
        }
    }

    /**
     * @param  array<string, mixed>  $with
     * @return array{taxonomy: string, slugs: non-empty-list<string>} the terms that are given or taken
     *
     * @throws Refused where they are no terms of the type
     */
    private function terms(Type $type, array $with): array
    {
        $taxonomy = is_string($with['taxonomy'] ?? null) ? $with['taxonomy'] : '';
        $slugs = array_values(array_filter((array) ($with['terms'] ?? []), is_string(...)));
        if (
            ! isset($type->taxonomies[$taxonomy]) || $slugs === []
            || count($this->catalogue->termIds($taxonomy, $slugs)) !== count($slugs)
        ) {
            throw Refused::because(
                'terms',
                ProblemCode::WrongValue,
                "expected terms of a taxonomy of {$type->plural}.",
            );
        }

        return ['taxonomy' => $taxonomy, 'slugs' => $slugs];
    }

    /**
     * @param  list<Item>  $items
     * @return int how many were removed
     */
    private function remove(array $items, RevisionRecorder $recorder): int
    {
        $this->writer->remove($items, $recorder);

        return count($items);
    }

    /**
     * @param  list<Item>  $items
     * @param  array<string, mixed>  $with
     * @param  array{taxonomy: string, slugs: list<string>}  $terms
     * @param  list<string>  $left  collects the unchanged items with the reason
     * @return int how many were changed
     */
    private function update(
        Type $type,
        array $items,
        string $do,
        array $with,
        array $terms,
        RevisionRecorder $recorder,
        array &$left,
    ): int {
        $changes = [];
        foreach ($items as $item) {
            try {
                $draft = $this->changed($type, $item, $do, $with, $terms['taxonomy'], $terms['slugs']);
                $draft === null || $changes[] = [$item, $draft];
            } catch (Refused $refused) {
                $left[] = "“{$item->title}”: {$refused->problems[0]}";
            }
        }
        $this->writer->updateAll($type, $changes, $recorder);

        return count($changes);
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  list<string>  $slugs
     * @return ItemDraft|null the item as it is to be; null: as it is
     *
     * @throws Refused
     */
    private function changed(
        Type $type,
        Item $item,
        string $do,
        array $with,
        string $taxonomy,
        array $slugs,
    ): ?ItemDraft {
        $reader = new ItemReader($type);
        $standing = Records::values($item, $type);
        $terms = array_values(array_filter((array) ($standing[$taxonomy] ?? []), is_string(...)));
        $draft = match ($do) {
            'publish' => $reader->asItStands(['status' => 'published'] + $standing),
            'unpublish' => $reader->asItStands(['status' => 'draft'] + $standing),
            'addTerms' => $reader->asItStands(
                [$taxonomy => array_values(array_unique([...$terms, ...$slugs]))] + $standing,
            ),
            'removeTerms' => $reader->asItStands([$taxonomy => array_values(array_diff($terms, $slugs))] + $standing),
            default => $reader->fromValues(
                array_filter((array) ($with['values'] ?? []), is_string(...), ARRAY_FILTER_USE_KEY),
                $standing,
            ),
        };
        if (Differences::same($draft->values(), $reader->asItStands($standing)->values())) {
            return null;
        }
        if ($do === 'set') {
            $this->checks->check($type, $draft, $item);
        }

        return $draft;
    }

    private static function how(string $do): string
    {
        return match ($do) {
            'publish' => 'published with others',
            'unpublish' => 'made a draft with others',
            'addTerms', 'removeTerms' => 'terms changed with others',
            default => 'edited with others',
        };
    }

    private static function title(string $do, int $count, string $what): string
    {
        $what = mb_strtolower($what);

        return match ($do) {
            'publish' => "Published {$count} {$what}",
            'unpublish' => Message::of(
                'Made {n, plural, one {# {what} a draft} other {# {what} drafts}}',
                ['n' => $count, 'what' => $what],
            ),
            'addTerms' => "Gave {$count} {$what} a term",
            'removeTerms' => "Took a term from {$count} {$what}",
            'delete' => "Removed {$count} {$what}",
            default => "Edited {$count} {$what}",
        };
    }
}
