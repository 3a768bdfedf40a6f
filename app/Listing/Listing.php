<?php

declare(strict_types=1);

namespace App\Listing;

use App\Listing\Compile\OrderSql;
use App\Listing\Paging\CursorStore;
use App\Listing\Paging\KeysetPaginator;
use App\Listing\Trace\StepCounter;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Run\StepKind;
use Wellspring\Core\Run\StepName;

/** Runs a module on PostgreSQL. It gives the same result as ReferenceRun, without loading all records. */
final readonly class Listing
{
    public function __construct(
        private ModuleQuery $query,
        private StepCounter $steps,
        private HeadingCounter $headings,
        private OrderSql $orders,
        private KeysetPaginator $paginator,
    ) {
    }

    /**
     * One page of records, with the count after every step.
     *
     * @param  string  $page  the requested page number, `1` for the first
     *
     * @throws NoSuchPage
     */
    public function run(Module $module, Context $context, string $page = '1'): Result
    {
        return $this->whole($module, $context, $page)->result;
    }

    /**
     * The same, with the number of records that have nothing to show in each part of the card. A page that does not
     * exist becomes the first one.
     */
    public function runWithGaps(Module $module, Context $context, string $page): ListingWithGaps
    {
        try {
            return $this->whole($module, $context, $page);
        } catch (NoSuchPage) {
            return $this->whole($module, $context, '1');
        }
    }

    /**
     * The page and its total without counts of steps, as visitors need it.
     *
     * @param  CursorStore|null  $cursors  known positions to continue from
     * @param  int|null  $listed  the number of records after step 5, pins included; null: they are counted
     *
     * @throws NoSuchPage
     */
    public function show(
        Module $module,
        Context $context,
        string $page = '1',
        ?CursorStore $cursors = null,
        ?int $listed = null,
    ): Result {
        $module = $module->bound($context);
        $pins = $this->query->pins($module, $context);
        if ($module->page->mode === PagingMode::Fixed) {
            // With a single page, its records are the total.
            $keys = $this->slice($module, $context, $pins['keys'], $module->skip, $module->displayLimit() ?? 0, null);

            return $this->result($module, $context, $page, $pins['keys'], [], count($keys), $keys);
        }

        $listed ??= $this->query->count($module, $context, $pins) + $pins['extra'];

        return $this->page($module, $context, $page, $pins['keys'], [], $listed, $cursors);
    }

    /** The total number of records of the module. */
    public function total(Module $module, Context $context): int
    {
        $module = $module->bound($context);
        $pins = $this->query->pins($module, $context);

        return $module->total($this->query->count($module, $context, $pins) + $pins['extra']);
    }

    /**
     * A part of all records of the module, in order.
     *
     * @param  int  $from  a position, 0 first
     * @return list<RecordKey>
     */
    public function some(Module $module, Context $context, int $from, int $count, ?CursorStore $cursors = null): array
    {
        $bound = $module->bound($context);
        $left = $bound->displayLimit() === null ? $count : max(0, min($count, $bound->displayLimit() - $from));

        return $this->slice(
            $bound,
            $context,
            $this->query->pins($bound, $context)['keys'],
            $bound->skip + $from,
            $left,
            $cursors,
        );
    }

    private function whole(Module $module, Context $context, string $page): ListingWithGaps
    {
        $module = $module->bound($context);
        [$steps, $parts, $any] = $this->steps->count($module, $context);
        $pins = $this->query->pins($module, $context);
        $listed = end($steps)->left + $pins['extra'];
        $result = $this->page($module, $context, $page, $pins['keys'], $steps, $listed, null);

        return new ListingWithGaps($result, $parts, $any);
    }

    /**
     * @param  list<RecordKey>  $pinned
     * @param  list<Step>  $steps
     * @param  int  $listed  the number of records after step 5, pins included
     */
    private function page(
        BoundModule $module,
        Context $context,
        string $page,
        array $pinned,
        array $steps,
        int $listed,
        ?CursorStore $cursors,
    ): Result {
        $total = $module->total($listed);
        $pages = new PageNumbers(max(0, $total), $module->page->size);
        $number = $pages->number($page);
        $keys = $this->slice(
            $module,
            $context,
            $pinned,
            $module->skip + $pages->offset($number),
            $pages->on($number),
            $cursors,
        );

        return $this->result($module, $context, $page, $pinned, $steps, $total, $keys);
    }

    /**
     * @param  list<RecordKey>  $pinned
     * @param  list<Step>  $steps
     * @param  list<RecordKey>  $keys  of the page
     *
     * @throws NoSuchPage
     */
    private function result(
        BoundModule $module,
        Context $context,
        string $page,
        array $pinned,
        array $steps,
        int $total,
        array $keys,
    ): Result {
        $pages = new PageNumbers(max(0, $total), $module->page->size);

        return new Result(
            $total,
            $pages->count,
            $pages->number($page),
            $steps === [] ? [] : [...$steps, new Step(StepName::of(StepKind::Total), $total)],
            $keys,
            $module->headings === null ? [] : $this->headings->counts($module, $context, $pinned, $total),
            $module->headings === null
                ? []
                : $this->headings->under($module, $context, self::without($keys, $pinned)),
        );
    }

    /**
     * @param  list<RecordKey>  $pinned
     * @return list<RecordKey> the records from a place among all that are listed
     */
    private function slice(
        BoundModule $module,
        Context $context,
        array $pinned,
        int $from,
        int $count,
        ?CursorStore $cursors,
    ): array {
        $first = array_slice($pinned, $from, $count);
        $left = $count - count($first);
        if ($left <= 0) {
            return $first;
        }
        $query = $this->query->passing($module, $context)->toBase();

        return [
            ...$first,
            ...$this->paginator->keys(
                RecordKeys::without($query, $module->source, ...$pinned),
                $this->orders->of($module, $context),
                RecordKeys::columns($module->source),
                max(0, $from - count($pinned)),
                $left,
                $cursors,
            ),
        ];
    }

    /**
     * @param  list<RecordKey>  $keys
     * @param  list<RecordKey>  $others
     * @return list<RecordKey> those of the keys that are not among the others
     */
    private static function without(array $keys, array $others): array
    {
        return array_values(array_udiff($keys, $others, fn (RecordKey $a, RecordKey $b): int => $a->compareTo($b)));
    }
}
