<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/**
 * Keeps the headings of a page in order: one `h1`, and no heading more than one level below its parent. Pass the parts
 * of the page from top to bottom.
 */
final class HeadingOutline
{
    private const LEAST = 6;

    /** @var list<array{int, int}> the headings that the next one may stand under: the level asked for, and the level */
    private array $above = [[1, 1]];

    private int $level = 1;

    /** @param  bool  $isTitled  true if the page already has its `h1`; a second one becomes an `h2` */
    public function __construct(private bool $isTitled = false)
    {
    }

    /**
     * @param  string  $html  well-formed
     * @return string the same with other levels where one would be skipped
     */
    public function mended(string $html): string
    {
        return self::withLevels($html, $this->next(...), fn (): int => $this->level);
    }

    /** The same markup with its headings moved down a number of levels, at most to level six. */
    public static function lowered(string $html, int $by): string
    {
        $lower = fn (int $level): int => min(self::LEAST, $level + $by);

        return self::withLevels($html, $lower, $lower);
    }

    private function next(int $asked): int
    {
        $asked = $this->isTitled ? max(2, $asked) : $asked;
        $this->isTitled = $this->isTitled || $asked === 1;
        while ($this->above !== [] && $this->above[array_key_last($this->above)][0] >= $asked) {
            array_pop($this->above);
        }
        $under = $this->above === [] ? 0 : $this->above[array_key_last($this->above)][1];
        $this->level = min($asked, $under + 1);
        $this->above[] = [$asked, $this->level];

        return $this->level;
    }

    /**
     * @param  \Closure(int): int  $opening  the new level of an opening tag
     * @param  \Closure(int): int  $closing  the new level of a closing tag
     */
    private static function withLevels(string $html, \Closure $opening, \Closure $closing): string
    {
        return (string) preg_replace_callback(
            '~<(/?)h([1-6])(?=[\s>])~',
            fn (array $tag): string => "<{$tag[1]}h".($tag[1] === '' ? $opening : $closing)((int) $tag[2]),
            $html,
        );
    }
}
