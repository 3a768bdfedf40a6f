<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

/**
 * Advice for a manager about a problem for visitors, with a cure.
 *
 * @phpstan-type CureShape array{words: string, definition: array<string, mixed>|null, to: string|null}
 * @phpstan-type AdviceShape array{code: string, at: string, sentence: string, cure: CureShape}
 */
final readonly class Advice
{
    /**
     * @param  string  $code  the kind of problem: `lastRow`
     * @param  string  $at  the place in the definition
     * @param  string  $cure  the effect of the cure: “Show 12 at a time”
     * @param  array<string, mixed>|null  $definition  the module with the cure; null if the cure is on another screen
     * @param  string|null  $to  the manage screen with the cure
     */
    public function __construct(
        public string $code,
        public string $at,
        public string $sentence,
        public string $cure,
        public ?array $definition,
        public ?string $to = null,
    ) {
    }

    /** @return AdviceShape */
    public function toArray(): array
    {
        return [
            'code' => $this->code,
            'at' => $this->at,
            'sentence' => $this->sentence,
            'cure' => ['words' => $this->cure, 'definition' => $this->definition, 'to' => $this->to],
        ];
    }
}
