<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Wellspring\Core\Arrangement\Columns;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;

final class LayoutTest extends TestCase
{
    use TestTrait;

    /**
     * Worked by hand from `pages = max(1, ceil(total / size))` and `((n − 1) mod columns) + 1`.
     *
     * @param  int<0, max>  $total
     * @param  positive-int  $size
     */
    #[DataProvider('worked')]
    public function test_pages_and_last_rows(
        int $total,
        int $size,
        int $pages,
        int $onLast,
        int $columns,
        int $lastRow,
    ): void {
        $made = new PageNumbers($total, $size);
        $this->assertSame($pages, $made->count);
        $this->assertSame($onLast, $made->on($pages));
        $this->assertSame($lastRow, Columns::lastRow($onLast, $columns));
    }

    /** @return list<array{int, int, int, int, int, int}> */
    public static function worked(): array
    {
        return [
            [0, 8, 1, 0, 4, 0], [1, 8, 1, 1, 4, 1], [8, 8, 1, 8, 4, 4], [9, 8, 2, 1, 4, 1], [38, 8, 5, 6, 4, 2],
            [40, 8, 5, 8, 3, 2], [21, 10, 3, 1, 5, 1], [7, 7, 1, 7, 2, 1],
        ];
    }

    public function test_pages_show_every_record_exactly_once(): void
    {
        $this->forAll(
            Generators::choose(0, 400),
            Generators::choose(1, 50),
        )->then(function (int $total, int $size): void {
            $pages = new PageNumbers(max(0, $total), max(1, $size));
            $seen = [];
            for ($page = 1; $page <= $pages->count; $page++) {
                $this->assertSame($page, $pages->number((string) $page));
                for ($i = 0; $i < $pages->on($page); $i++) {
                    $seen[] = $pages->offset($page) + $i;
                }
                $this->assertTrue(
                    $page === $pages->count || $pages->on($page) === $size,
                    'every page but the last is full',
                );
            }
            $this->assertSame($total === 0 ? [] : range(0, $total - 1), $seen);
        });
    }

    public function test_only_a_plain_whole_number_within_is_a_page(): void
    {
        $pages = new PageNumbers(21, 8);
        foreach ([
            '0', '-1', 'x', '1000000000', '4', '01', '+1', '1.0', '', ' 1', "1\n", '99999999999999999999',
        ] as $asked) {
            try {
                $pages->number($asked);
                $this->fail("“{$asked}” is no page.");
            } catch (NoSuchPage $none) {
                $this->assertSame(3, $none->pages);
            }
        }
    }

    public function test_numbered_links_are_first_last_and_two_around_with_gaps_marked(): void
    {
        $this->assertSame([1], (new PageNumbers(3, 8))->numbers(1));
        $this->assertSame([1, 2, 3, null, 20], (new PageNumbers(160, 8))->numbers(1));
        $this->assertSame([1, null, 8, 9, 10, 11, 12, null, 20], (new PageNumbers(160, 8))->numbers(10));
        $this->assertSame([1, 2, 3, 4, 5, 6, null, 20], (new PageNumbers(160, 8))->numbers(4));
        $this->assertSame(
            [1, 2, 3, 4, 5, 6, 7, null, 20],
            (new PageNumbers(160, 8))->numbers(5),
            'a gap of one is that page',
        );
        $this->assertSame([1, null, 14, 15, 16, 17, 18, 19, 20], (new PageNumbers(160, 8))->numbers(16));
        $this->assertSame([1, null, 4, 5, 6, 7, 8, null, 20], (new PageNumbers(160, 8))->numbers(6));
        $this->assertSame([1, null, 18, 19, 20], (new PageNumbers(160, 8))->numbers(20));
        $this->assertSame(
            [1, null, 499_998, 499_999, 500_000, 500_001, 500_002, null, 1_000_000],
            (new PageNumbers(1_000_000, 1))->numbers(500_000),
        );
    }
}
