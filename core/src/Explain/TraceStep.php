<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

/** What one step of the run says of one record. */
final readonly class TraceStep
{
    /**
     * @param  string  $step  as the run names it: `source`, `where.all[0]` …, `leaveOut`, `empty`
     * @param  string  $label  the step in a few words: “Light: Full sun”
     * @param  bool|null  $passed  null: not asked, since the record is pinned
     * @param  string  $sentence  why, with the record's own value
     */
    public function __construct(
        public string $step,
        public string $label,
        public ?bool $passed,
        public string $sentence,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['step' => $this->step, 'label' => $this->label, 'passed' => $this->passed, 'sentence' => $this->sentence];
    }
}
