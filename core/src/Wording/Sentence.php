<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/** One rule of a module in words: “Keep only · Group is Perennials or below”. */
final readonly class Sentence
{
    /**
     * @param  string  $rule  the place of the rule in the definition: `source`, `where.all[0]`, `order` …
     * @param  string|null  $step  the step of the run with its count
     * @param  string  $lead  the words above the sentence
     * @param  list<Piece>  $pieces
     * @param  bool  $off  true if the rule is switched off
     * @param  string  $link  for a condition, the word before it: those “whose” …, those “where” …
     */
    public function __construct(
        public string $rule,
        public ?string $step,
        public string $lead,
        public array $pieces,
        public bool $off = false,
        public string $link = '',
    ) {
    }

    public function text(): string
    {
        return implode('', array_map(fn (Piece $piece): string => $piece->text, $this->pieces));
    }
}
