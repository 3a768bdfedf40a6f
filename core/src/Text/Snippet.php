<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/**
 * The first part of a text that contains the searched words, with all of them marked, and “…” where something was cut.
 * Words match in all their forms, as in the search.
 *
 * @phpstan-type Piece array{text: string, isMarked: bool}
 */
final readonly class Snippet
{
    private const WORD = '/([\p{L}\p{M}]+|\p{N}+)/u';

    /** The share of words before the first match: one in this many. */
    private const BEFORE = 4;

    /** @param  list<SearchTerm>  $terms  the searched words */
    public function __construct(private array $terms, private Language $language)
    {
    }

    /** @return list<Piece> the whole text */
    public function marked(string $text): array
    {
        return self::joined($this->tokens($text));
    }

    /**
     * @param  positive-int  $words  maximum number of words
     * @return list<Piece> the beginning, where nothing is found
     */
    public function of(string $text, int $words): array
    {
        $tokens = $this->tokens(Whitespace::squeeze($text));
        $places = array_keys(array_filter($tokens, fn (array $token): bool => $token['isWord']));
        $found = 0;
        foreach ($places as $n => $place) {
            if ($tokens[$place]['isMarked']) {
                $found = $n;
                break;
            }
        }
        $from = max(0, min($found - intdiv($words, self::BEFORE), count($places) - $words));
        $to = $from + $words;
        $start = $from === 0 ? 0 : $places[$from];
        $end = isset($places[$to]) ? $places[$to] : count($tokens);
        $kept = array_slice($tokens, $start, $end - $start);
        if ($start > 0) {
            array_unshift($kept, ['text' => '… ', 'isMarked' => false, 'isWord' => false]);
        }
        if ($end < count($tokens)) {
            $last = array_pop($kept);
            if ($last !== null) {
                $kept[] = ['text' => rtrim($last['text'])] + $last;
            }
            $kept[] = ['text' => '…', 'isMarked' => false, 'isWord' => false];
        }

        return self::joined($kept);
    }

    /** @return list<array{text: string, isMarked: bool, isWord: bool}> words, and what stands between them */
    private function tokens(string $text): array
    {
        $parts = preg_split(self::WORD, $text, flags: PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $wanted = array_map(fn (SearchTerm $term): string => rtrim($term->word, '*'), $this->terms);
        $words = array_values(array_filter($parts, fn (int $i): bool => $i % 2 === 1, ARRAY_FILTER_USE_KEY));
        $stems = $this->language->stems([...$wanted, ...array_map(Fold::of(...), $words)]);
        $tokens = [];
        foreach ($parts as $i => $part) {
            $isWord = $i % 2 === 1;
            if ($part !== '') {
                $tokens[] = [
                    'text' => $part,
                    'isMarked' => $isWord && $this->isWanted($stems[count($wanted) + intdiv($i, 2)], $stems),
                    'isWord' => $isWord,
                ];
            }
        }

        return $tokens;
    }

    /** @param  list<string>  $stems  stems of the words before the first match */
    private function isWanted(string $stem, array $stems): bool
    {
        foreach ($this->terms as $i => $term) {
            if (str_ends_with($term->word, '*') ? str_starts_with($stem, $stems[$i]) : $stem === $stems[$i]) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<array{text: string, isMarked: bool, isWord: bool}>  $tokens
     * @return list<Piece> what is marked alike together
     */
    private static function joined(array $tokens): array
    {
        $pieces = [];
        foreach ($tokens as $token) {
            $last = count($pieces) - 1;
            if ($last >= 0 && $pieces[$last]['isMarked'] === $token['isMarked']) {
                $pieces[$last]['text'] .= $token['text'];
            } else {
                $pieces[] = ['text' => $token['text'], 'isMarked' => $token['isMarked']];
            }
        }

        return $pieces;
    }
}
