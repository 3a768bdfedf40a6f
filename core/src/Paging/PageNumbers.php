<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

/** The pages of a number of records: `pages = max(1, ceil(total / size))`. */
final readonly class PageNumbers
{
    public int $count;

    /**
     * @param  int<0, max>  $total
     * @param  positive-int  $size
     */
    public function __construct(public int $total, public int $size)
    {
        $this->count = max(1, intdiv($total + $size - 1, $size));
    }

    /**
     * The page number of an address. Page 1 has no number.
     *
     * @throws NoSuchPage unless it is a whole number from 1 to the count, plainly written
     */
    public function number(string $asked): int
    {
        if (! self::isNumber($asked) || (int) $asked > $this->count) {
            throw new NoSuchPage($asked, $this->count);
        }

        return (int) $asked;
    }

    /** True if the text could be a page number, whatever the number of pages. */
    public static function isNumber(string $asked): bool
    {
        return preg_match('/^[1-9]\d{0,17}$/D', $asked) === 1;
    }

    /** The position of a page's first record, 0 first. */
    public function offset(int $page): int
    {
        return ($page - 1) * $this->size;
    }

    /** The number of records on the page. */
    public function on(int $page): int
    {
        return max(0, min($this->size, $this->total - $this->offset($page)));
    }

    /**
     * The values that the text above the records can use.
     *
     * @return array{from: int, to: int, total: int, page: int, pages: int}
     */
    public function places(int $page): array
    {
        $on = $this->on($page);

        return [
            'from' => $on === 0 ? 0 : $this->offset($page) + 1,
            'to' => $this->offset($page) + $on,
            'total' => $this->total,
            'page' => $page,
            'pages' => $this->count,
        ];
    }

    /** @return list<int|null> the numbers that stand below a page: first, last and current ± 2; null marks a gap */
    public function numbers(int $current): array
    {
        $shown = [];
        $before = 0;
        for ($page = 1; $page <= $this->count; $page++) {
            if ($page !== 1 && $page !== $this->count && abs($page - $current) > 2) {
                $page = $page < $current ? max($page, $current - 3) : $this->count - 1;

                continue;
            }
            if ($page === $before + 2) {
                $shown[] = $page - 1;
            } elseif ($page > $before + 1) {
                $shown[] = null;
            }
            $shown[] = $before = $page;
        }

        return $shown;
    }
}
