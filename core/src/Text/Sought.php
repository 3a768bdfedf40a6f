<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** One word looked for, and where. */
final readonly class Sought
{
    /**
     * @param  string  $word  folded; one that ends in `*` is a beginning
     * @param  array<string, int>|null  $in  what finding it counts, by field; null: in every text, by Words::WEIGHTS
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
        return array_map(fn (string $word): self => new self($word, $in), Words::looked($text));
    }

    /**
     * @param  array<string, array<string, string>>  $texts  words separated by blanks, by a key of WEIGHTS and field
     * @return int what it counts where it is found; the most, where it is found in several; 0 where it is not
     */
    public function weight(array $texts, Language $language): int
    {
        $begins = str_ends_with($this->word, '*');
        $wanted = $language->stem(rtrim($this->word, '*'));
        $most = 0;
        foreach ($texts as $standing => $fields) {
            foreach ($fields as $field => $text) {
                $weight = $this->in === null ? Words::WEIGHTS[$standing] ?? 0 : $this->in[$field] ?? 0;
                if ($weight > $most && self::has($text, $wanted, $begins, $language)) {
                    $most = $weight;
                }
            }
        }

        return $most;
    }

    private static function has(string $text, string $wanted, bool $begins, Language $language): bool
    {
        foreach (array_filter(explode(' ', $text), fn (string $word): bool => $word !== '') as $word) {
            $has = $language->stem($word);
            if ($begins ? str_starts_with($has, $wanted) : $has === $wanted) {
                return true;
            }
        }

        return false;
    }
}
