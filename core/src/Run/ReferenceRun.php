<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\Pages;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Who\Audience;

/** The rules of a module carried out step by step over plain records: what the database's run is held against. */
final readonly class ReferenceRun
{
    public function __construct(private Comparator $comparator)
    {
    }

    /**
     * @param  list<Record>  $records  of any type and state
     *
     * @throws NoSuchPage
     */
    public function run(Module $module, array $records, \DateTimeImmutable $now, Audience $viewer, int $page = 1): Result
    {
        $steps = [];
        $candidates = array_values(array_filter($records, fn (Record $record): bool => self::isCandidate($record, $module, $now, $viewer)));
        $steps[] = new Step('source', count($candidates));
        $left = $candidates;
        foreach (Steps::ofWhere($module->where) as $name => $rule) {
            $left = array_values(array_filter($left, $rule->keeps(...)));
            $steps[] = new Step($name, count($left));
        }
        $steps[] = new Step('choices', count($left));
        $notLeftOut = fn (Record $record): bool => ! in_array($record->slug, $module->leaveOut, true);
        $left = array_values(array_filter($left, $notLeftOut));
        $steps[] = new Step('leaveOut', count($left));
        $left = array_values(array_filter($left, $module->card->stands(...)));
        $steps[] = new Step('empty', count($left));

        $ordered = $this->comparator->sorted($left, $module->order);
        $pinned = [];
        foreach ($module->pin as $slug) {
            foreach ($candidates as $record) {
                if ($record->slug === $slug && $notLeftOut($record) && $module->card->stands($record)) {
                    $pinned[] = $record;
                }
            }
        }
        $rest = array_filter($ordered, fn (Record $record): bool => ! in_array($record->slug, $module->pin, true));
        $listed = [...$pinned, ...$rest];
        $total = $module->total(count($listed));
        $steps[] = new Step('total', $total);

        $pages = new Pages(max(0, $total), $module->page->size);
        $page = $pages->number((string) $page);
        $shown = array_slice($listed, $module->skip + $pages->offset($page), $pages->on($page));

        return new Result($total, $pages->count, $page, $steps, array_map(fn (Record $record): int => $record->id, $shown));
    }

    private static function isCandidate(Record $record, Module $module, \DateTimeImmutable $now, Audience $viewer): bool
    {
        $at = Instant::write($now);

        return $record->type === $module->source->key
            && $record->status === Status::Published
            && $record->publishAt !== null && $record->publishAt <= $at
            && ($record->expireAt === null || $at < $record->expireAt)
            && in_array($record->audience, $viewer->sees(), true);
    }
}
