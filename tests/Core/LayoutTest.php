<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Arrangement\Arrangements;
use Wellspring\Core\Arrangement\Columns;
use Wellspring\Core\Arrangement\MasonryColumns;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\SlotWidths;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\Piece;

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

    /**
     * Worked by hand from “each card, in order, in the shortest column, the leftmost of equals”.
     *
     * @return iterable<string, array{list<float>, positive-int, list<int>}>
     */
    public static function masonries(): iterable
    {
        yield 'all alike go round' => [[1.0, 1.0, 1.0, 1.0, 1.0], 3, [1, 2, 3, 1, 2]];
        yield 'a tall one is passed by' => [[3.0, 1.0, 1.0, 1.0, 1.0, 1.0], 2, [1, 2, 2, 2, 1, 2]];
        yield 'the leftmost of equals' => [[1.0, 2.0, 1.0, 1.0], 3, [1, 2, 3, 1]];
        yield 'one column' => [[1.0, 9.0, 1.0], 1, [1, 1, 1]];
        yield 'more columns than cards' => [[1.0, 1.0], 4, [1, 2]];
        yield 'none' => [[], 3, []];
    }

    /** On paper: a page of 1216 px, 40 px between slots, none narrower than 224 px, 20 px beside the page. */
    public function test_a_slot_is_as_wide_as_its_band_lets_it(): void
    {
        $this->assertSame(
            [350.0, 728.0, 1216.0, 1216.0],
            array_map(fn (Width $width): float => SlotWidths::body($width->window(), 1216), Width::cases()),
        );
        $of = fn (float $room, int ...$shares): array => array_map(
            fn (float $width): float => round($width, 1),
            SlotWidths::of($room, array_values($shares)),
        );
        $this->assertSame([882.0, 294.0], $of(1216, 9, 3));
        $this->assertSame([378.7, 378.7, 378.7], $of(1216, 4, 4, 4));
        $this->assertSame([688.0, 224.0, 224.0], $of(1216, 10, 1, 1), 'the narrow ones get their least width');
        $this->assertSame([344.0, 344.0, 728.0], $of(728, 4, 4, 4), 'three have no room: the third has its own row');
        $this->assertSame([350.0, 350.0], $of(350, 9, 3));
        $this->assertSame([200.0], $of(200, 12), 'a window narrower than a slot');
        // 1216 − 40 − 512 − 224 = 440 beyond the least widths, three quarters of it for the body.
        $this->assertSame([842.0, 334.0], [SlotWidths::body(1280, 1216, true), SlotWidths::side(1280, 1216)]);
        $this->assertSame([728.0, 728.0], [SlotWidths::body(768, 1216, true), SlotWidths::side(768, 1216)]);
    }

    /** rules.md, Columns: `max(1, min(n, floor((w + g) / (m + g))))`. */
    public function test_a_narrow_slot_has_fewer_columns(): void
    {
        foreach ([[4, 294, 20, 160, 1], [4, 340, 20, 160, 2], [4, 339, 20, 160, 1], [4, 1216, 20, 160, 4],
            [12, 1216, 20, 160, 6], [3, 100, 20, 160, 1], [6, 1216, 0, 200, 6], [7, 1216, 0, 200, 6],
        ] as [$most, $slot, $gap, $narrowest, $columns]) {
            $this->assertSame($columns, Columns::fitting($most, $slot, $gap, $narrowest), "{$most} in {$slot}");
        }
    }

    /**
     * @param  list<float>  $heights
     * @param  positive-int  $columns
     * @param  list<int>  $places
     */
    #[DataProvider('masonries')]
    public function test_masonry_puts_each_card_in_the_shortest_column(
        array $heights,
        int $columns,
        array $places,
    ): void {
        $this->assertSame($places, MasonryColumns::of($heights, $columns));
    }

    public function test_every_arrangement_is_read_as_it_is_written_and_says_what_it_is(): void
    {
        $this->assertSame(
            ['grid', 'list', 'masonry', 'table', 'links', 'spotlight', 'slideshow', 'ticker', 'wall'],
            array_keys(Arrangements::all()),
        );
        foreach (Arrangements::all() as $key => $class) {
            $said = ['as' => $key];
            foreach ($class::options() as $option) {
                $about = $option->describe();
                $said[$option->key()] = match ($about['kind']) {
                    'oneOf' => array_values(array_filter(
                        array_column($about['choices'] ?? [], 'value'),
                        fn (string $value): bool => $value !== $about['default'],
                    ))[0],
                    'whole' => $about['max'] ?? 1,
                    'flag' => $about['default'] !== true,
                    default => ['phone' => 1, 'tablet' => 3, 'laptop' => 5, 'desktop' => 7],
                };
            }
            $module = Garden::module(['arrange' => $said]);
            $this->assertEqualsCanonicalizing($said, $module->arrange->toArray(), $key);
            $words = implode('', array_map(fn (Piece $piece): string => $piece->text, $module->arrange->pieces()));
            $this->assertTrue(str_starts_with($words, $class::label()), $words);
            foreach ($class::options() as $option) {
                $wrong = match ($option->describe()['kind']) {
                    'flag' => 'yes', 'whole' => 10_000, 'columns' => ['phone' => 99], default => 'other',
                };
                $at = "arrange.{$option->key()}".($option->key() === 'columns' ? '.phone' : '');
                try {
                    Garden::module(['arrange' => ['as' => $key, $option->key() => $wrong]]);
                    $this->fail("{$key}: {$option->key()} is refused.");
                } catch (Refused $refused) {
                    $this->assertSame([$at], array_column($refused->problems, 'path'));
                }
            }
        }
    }

    public function test_a_table_that_visitors_sort_offers_each_column_up_and_down(): void
    {
        $parts = [['part' => 'title'], ['part' => 'price'], ['part' => 'field', 'field' => 'groups'],
            ['part' => 'picture']];
        $module = Garden::module([
            'arrange' => ['as' => 'table', 'sortable' => true],
            'card' => ['lines' => [['parts' => $parts]]],
        ]);
        $this->assertSame(
            ['title', 'title-down', 'price', 'price-down'],
            array_column($module->offered()->orders ?? [], 'key'),
        );
        $records = [Garden::record(1, ['price' => 2]), Garden::record(2, ['price' => 3]), Garden::record(3)];
        $run = fn (string $sort): array => (new ReferenceRun(new Comparator('en-GB'), Garden::format()))->run(
            $module,
            $records,
            new Context(
                new \DateTimeImmutable('2026-06-01T12:00:00Z'),
                Viewer::signedOut(),
                new Calendar(new \DateTimeZone('Europe/London')),
                choices: Choices::fromAddress(['plants-sort' => $sort]),
            ),
        )->ids();
        $this->assertSame([2, 1, 3], $run('price-down'));
        $this->assertSame([1, 2, 3], $run('price'));
        $this->assertArrayNotHasKey('offer', $module->toArray(), 'a definition does not say what follows from it');
    }
}
