<?php

declare(strict_types=1);

namespace App\Listing\Trace;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Explain\TraceStep;
use Wellspring\Core\Module\Module;

/**
 * The steps of one record through a module.
 *
 * @phpstan-import-type TraceStepShape from TraceStep
 *
 * @phpstan-type TracedShape array{
 *     slug: string, title: string, type: string, start?: string, kind: string, shown: bool, pinned: bool,
 *     place: int|null, wouldStand: int|null, page: int|null, answer: string, steps: list<TraceStepShape>,
 * }
 */
final readonly class TracedRecord
{
    /** Its position among all shown records, 1 first; null: it does not show. */
    public ?int $place;

    /** The position that it would have if it passed the rules; null: it would not show either. */
    public ?int $hypotheticalPlace;

    /**
     * @param  int|null  $rank  its rank among all listed records, 1 first; null: it does not pass
     * @param  int|null  $hypotheticalRank  the rank that it would have if it passed the rules
     */
    public function __construct(
        public Record $record,
        public string $kind,
        public Trace $trace,
        public ?int $rank,
        ?int $hypotheticalRank,
        private Module $module,
    ) {
        $this->place = $module->place($rank);
        $this->hypotheticalPlace = $module->place($hypotheticalRank);
    }

    public function page(): ?int
    {
        $place = $this->place ?? $this->hypotheticalPlace;

        return $place === null ? null : intdiv($place - 1, $this->module->page->size) + 1;
    }

    /** The answer in a sentence or two. */
    public function answer(): string
    {
        return match (true) {
            $this->place !== null => (
                $this->trace->isPinned ? 'Shown, pinned to the top' : 'Shown'
            ).": place {$this->place}, page {$this->page()}.",
            $this->trace->passes() => 'Not shown: it passes every rule and stands at place '
                ."{$this->rank}, but the module ".($this->rank <= $this->module->skip
                ? "skips the first {$this->module->skip}."
                : "shows no more than {$this->module->displayLimit()}".($this->module->skip > 0 ? ' after the '
                    ."{$this->module->skip} that it skips." : '.')),
            default => 'Not shown: '.implode(' ', $this->trace->reasons()),
        };
    }

    /** @return TracedShape */
    public function toArray(): array
    {
        return [
            'slug' => $this->record->slug,
            'title' => $this->record->title,
            'type' => $this->record->type,
            ...$this->record->start === null ? [] : ['start' => $this->record->start],
            'kind' => $this->kind,
            'shown' => $this->place !== null,
            'pinned' => $this->trace->isPinned,
            'place' => $this->place,
            'wouldStand' => $this->hypotheticalPlace,
            'page' => $this->page(),
            'answer' => $this->answer(),
            'steps' => array_map(fn (TraceStep $step): array => $step->toArray(), $this->trace->steps),
        ];
    }
}
