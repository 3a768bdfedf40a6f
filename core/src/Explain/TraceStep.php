<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Run\StepName;

/**
 * One step of the run for one record.
 *
 * @phpstan-type TraceStepShape array{step: string, label: string, passed: bool|null, sentence: string}
 */
final readonly class TraceStep
{
    /**
     * @param  string  $label  the step in a few words: “Light: Full sun”
     * @param  bool|null  $passed  null: not tested, because the record is pinned
     * @param  string  $sentence  why, with the record's own value
     */
    public function __construct(
        public StepName $step,
        public string $label,
        public ?bool $passed,
        public string $sentence,
    ) {
    }

    /** @return TraceStepShape */
    public function toArray(): array
    {
        return [
            'step' => (string) $this->step,
            'label' => $this->label,
            'passed' => $this->passed,
            'sentence' => $this->sentence,
        ];
    }
}
