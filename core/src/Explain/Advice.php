<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

/**
 * A sentence that tells a manager of something that visitors would stumble over, with a cure.
 *
 * @phpstan-type CureShape array{words: string, definition: array<string, mixed>|null, to: string|null}
 * @phpstan-type AdviceShape array{code: string, at: string, sentence: string, cure: CureShape}
 */
final readonly class Advice
{
    /**
     * @param  string  $code  what it is about: `lastRow`
     * @param  string  $at  the place in the definition
     * @param  string  $cure  what the cure does: “Show 12 at a time”
     * @param  array<string, mixed>|null  $definition  the module with the cure; null where it is found elsewhere
     * @param  string|null  $to  the manage screen where it is found
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
