<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/** One rule of a module as it reads: “Keep only · Group is Perennials or below”. */
final readonly class Sentence
{
    /**
     * @param  string  $rule  the place of the rule in the definition: `source`, `where.all[0]`, `order` …
     * @param  string|null  $step  the step of the run whose count belongs to it
     * @param  string  $lead  the words above
     * @param  list<Piece>  $pieces
     * @param  bool  $off  whether the rule is switched off
     * @param  string  $link  of a condition, the word that joins it to what is kept: those “whose” …, those “where” …
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
