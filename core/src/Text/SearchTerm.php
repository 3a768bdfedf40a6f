<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** One word of a search, and the texts to search. */
final readonly class SearchTerm
{
    /**
     * @param  string  $word  folded; one that ends in `*` matches beginnings
     * @param  array<string, int>|null  $in  the weight of each field; null: every text, weighted by Words::WEIGHTS
     */
    private function __construct(public string $word, public ?array $in)
    {
    }

    /**
     * @param  array<string, int>|null  $in
     * @return list<self> the words of what is looked for, each once
     */
    public static function all(string $text, ?array $in): array
    {
        return array_map(fn (string $word): self => new self($word, $in), Words::ofQuery($text));
    }

    /**
     * @param  array<string, array<string, string>>  $texts  words separated by spaces, by a key of WEIGHTS and field
     * @return int what it counts where it is found; the most, where it is found in several; 0 where it is not
     */
    public function weight(array $texts, Language $language): int
    {
        $begins = str_ends_with($this->word, '*');
        $words = [rtrim($this->word, '*')];
        $weights = [0];
        foreach ($texts as $standing => $fields) {
            foreach ($fields as $field => $text) {
                $weight = $this->in === null ? Words::WEIGHTS[$standing] ?? 0 : $this->in[$field] ?? 0;
                $held = $weight > 0 ? preg_split('/ +/', $text, flags: PREG_SPLIT_NO_EMPTY) ?: [] : [];
                array_push($words, ...$held);
                array_push($weights, ...array_fill(0, count($held), $weight));
            }
        }
        $stems = $language->stems($words);
        $wanted = array_shift($stems) ?? '';
        $most = 0;
        foreach ($stems as $i => $has) {
            if ($weights[$i + 1] > $most && ($begins ? str_starts_with($has, $wanted) : $has === $wanted)) {
                $most = $weights[$i + 1];
            }
        }

        return $most;
    }
}
