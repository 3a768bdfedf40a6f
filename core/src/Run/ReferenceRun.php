<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Sort\SortContext;
use Wellspring\Core\Wording\Format;

/** Runs the rules of a module step by step over plain records. Tests compare the run on the database with it. */
final readonly class ReferenceRun
{
    public function __construct(private Comparator $comparator, private Format $format)
    {
    }

    /**
     * @param  list<Record>  $records  all records of the site: items of any type and state, terms, people
     *
     * @throws NoSuchPage
     */
    public function run(Module $module, array $records, Context $context, int $page = 1): Result
    {
        $module = $module->bound($context);
        $candidates = array_map(
            fn (Record $record): Record => $record->seenThrough($context->visibility()),
            $module->source->records($records, $context),
        );
        $steps = [new Step(StepName::of(StepKind::Source), count($candidates))];
        $left = $candidates;
        foreach (Steps::ofWhere($module->where) as $counted) {
            $left = array_values(
                array_filter($left, fn (Record $record): bool => $counted->rule->keeps($record, $context)),
            );
            $steps[] = new Step($counted->name, count($left));
        }
        $choices = $module->chosen->rule() ?? new BoundGroup;
        $isChosen = fn (Record $record): bool => $choices->keeps($record, $context);
        $left = array_values(array_filter($left, $isChosen));
        $steps[] = new Step(StepName::of(StepKind::Choices), count($left));
        $notLeftOut = fn (Record $record): bool => ! in_array($record->slug, $module->leaveOut, true);
        $left = array_values(array_filter($left, $notLeftOut));
        $steps[] = new Step(StepName::of(StepKind::LeaveOut), count($left));
        $cards = new CardContext($context, $this->format);
        $hasSomethingToShow = fn (Record $record): bool => $module->shownCard->isListed($record, $cards);
        $left = array_values(array_filter($left, $hasSomethingToShow));
        $steps[] = new Step(StepName::of(StepKind::Empty), count($left));

        $ordered = $this->comparator->sorted(
            $left,
            $module->order,
            new SortContext($module->key, $context, $candidates),
            $module->headings,
        );
        $pinned = [];
        foreach ($module->pin as $slug) {
            $named = array_filter(
                $candidates,
                fn (Record $record): bool => $record->slug === $slug
                    && $isChosen($record) && $notLeftOut($record) && $hasSomethingToShow($record),
            );
            usort($named, fn (Record $a, Record $b): int => $a->key()->compareTo($b->key()));
            array_push($pinned, ...$named);
        }
        $rest = array_filter($ordered, fn (Record $record): bool => ! in_array($record->slug, $module->pin, true));
        $listed = [...$pinned, ...$rest];
        $total = $module->total(count($listed));
        $steps[] = new Step(StepName::of(StepKind::Total), $total);

        $pages = new PageNumbers(max(0, $total), $module->page->size);
        $page = $pages->number((string) $page);
        $all = array_slice($listed, $module->skip, $total);
        $shown = array_slice($all, $pages->offset($page), $pages->on($page));

        return new Result(
            $total, $pages->count, $page, $steps,
            array_map(fn (Record $record): RecordKey => $record->key(), $shown),
            $module->headings === null
                ? []
                : array_count_values(
                    self::under($module->headings, array_diff_key($all, self::pinned($all, $module)), $context),
                ),
            $module->headings === null
                ? []
                : self::under($module->headings, array_diff_key($shown, self::pinned($shown, $module)), $context),
        );
    }

    /**
     * @param  array<int, Record>  $records
     * @return array<int, Record> those that are pinned, under their own keys
     */
    private static function pinned(array $records, Module $module): array
    {
        return array_filter($records, fn (Record $record): bool => in_array($record->slug, $module->pin, true));
    }

    /**
     * @param  array<int, Record>  $records
     * @return array<string, string> by the record's key as text
     */
    private static function under(Headings $headings, array $records, Context $context): array
    {
        $under = [];
        foreach ($records as $record) {
            $under[(string) $record->key()] = $headings->key($headings->place($record, $context));
        }

        return $under;
    }
}
