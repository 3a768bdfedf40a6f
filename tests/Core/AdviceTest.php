<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Explain\Advice;
use Wellspring\Core\Explain\AdviceFacts;
use Wellspring\Core\Explain\Advisor;
use Wellspring\Core\Look\Contrasts;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Look\ShippedLooks;
use Wellspring\Core\Module\Module;

/** What managers are told that visitors would stumble over: each piece of advice has a cure, and the cure cures it. */
final class AdviceTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, string|null}> rules, facts and the
     *   sentence
     */
    public static function cases(): iterable
    {
        $grid = fn (int $across, int $size): array => [
            'arrange' => ['as' => 'grid', 'columns' => array_fill_keys(
                ['phone', 'tablet', 'laptop', 'desktop'],
                $across,
            )],
            'page' => ['size' => $size],
        ];
        $card = fn (array ...$parts): array => ['card' => ['lines' => [['parts' => array_values($parts)]]]];
        yield 'ten, four across' => [
            $grid(4, 10), [], 'With 4 across on a desktop, 10 a page leave 2 alone in the last row.',
        ];
        yield 'nine, four across' => [
            $grid(4, 9), [], 'With 4 across on a desktop, 9 a page leave one alone in the last row.',
        ];
        yield 'twelve, four across' => [$grid(4, 12), [], null];
        yield 'fewer records than a page has' => [$grid(4, 10), ['total' => 9], null];
        yield 'a long page' => [$grid(4, 24), [], '24 at a time make a long page.'];
        yield 'a list has no rows' => [['arrange' => ['as' => 'list'], 'page' => ['size' => 7]], [], null];
        yield 'a spotlight of many' => [
            ['arrange' => ['as' => 'spotlight'], 'page' => ['size' => 8]], [],
            'A Spotlight is made for one record, and a page has 8.',
        ];
        $picture = $card(['part' => 'picture'], ['part' => 'title']) + $grid(4, 8);
        $gaps = ['emptyParts' => ['card.lines[0].parts[0]' => 6], 'passing' => 38];
        yield 'pictures are missing' => [
            $picture, $gaps, 'Picture is missing in 6 of 38, and no rule says what happens then.',
        ];
        yield 'few are missing' => [$picture, ['emptyParts' => ['card.lines[0].parts[0]' => 3]] + $gaps, null];
        yield 'a rule says what happens then' => [
            $card(['part' => 'picture', 'empty' => ['do' => 'keepSpace']], ['part' => 'title']) + $grid(4, 8),
            $gaps, null,
        ];
        yield 'the same records twice' => [
            $grid(4, 8), ['twins' => [['name' => 'Newest', 'shows' => 4]]],
            '“Newest” on the same page shows the same records.',
        ];
        $sorted = ['offer' => ['key' => 'o', 'orders' => [
            ['key' => 'a', 'name' => 'A', 'order' => [['by' => 'title']]],
        ]]];
        yield 'an order over three' => [
            $grid(4, 8) + $sorted, ['total' => 3], 'Visitors may choose an order, though there are but 3.',
        ];
        yield 'an order over one page' => [$grid(4, 8) + $sorted, ['total' => 6], null];
        foreach ([
            'a filter of one option' => [['as' => 'checks'], ['sun' => 38], 'By Light there is nothing to choose: all '
                .'records are alike in it.'],
            'a filter of two' => [['as' => 'checks'], ['sun' => 30, 'shade' => 8], null],
            'no counts, and an option of nothing' => [['as' => 'checks', 'counts' => false], [
                'sun' => 30, 'shade' => 8,
            ], 'Some options of Light have nothing behind them, and no count says so.'],
            'no counts, and all options of something' => [['as' => 'checks', 'counts' => false], [
                'sun' => 10, 'half-shade' => 20, 'shade' => 8,
            ], null],
        ] as $name => [$says, $counts, $sentence]) {
            $rules = $grid(4, 8) + ['offer' => ['key' => 'o', 'filters' => [['field' => 'light'] + $says]]];
            $filter = Garden::module($rules)->offer->filters[0] ?? throw new \LogicException('There is a filter.');
            yield $name => [$rules, ['facets' => [new Facet($filter, counts: $counts)]], $sentence];
        }
        $link = $card(['part' => 'title'], ['part' => 'link', 'text' => 'On', 'address' => '/x/{slug}']) + $grid(4, 8);
        yield 'a link that leads nowhere' => [
            $link, ['deadLinks' => ['card.lines[0].parts[1]']], 'The link “On” leads nowhere: /x/{slug}',
        ];
    }

    /**
     * @param  array<string, mixed>  $rules
     * @param  array<string, mixed>  $facts
     */
    #[DataProvider('cases')]
    public function test_what_is_advised_and_that_the_cure_cures_it(array $rules, array $facts, ?string $sentence): void
    {
        $advice = Advisor::on(Garden::module($rules), self::facts($facts));
        $this->assertSame($sentence === null ? [] : [$sentence], array_map(
            fn (Advice $one): string => $one->sentence,
            $advice,
        ));
        if ($advice !== []) {
            $this->assertIsArray($advice[0]->definition);
            $cured = Garden::module($advice[0]->definition);
            // What was found of the records before is no longer so where the cure changes which they are.
            $after = self::facts(array_diff_key($facts, ['twins' => 0, 'deadLinks' => 0, 'facets' => 0]));
            $codes = array_map(fn (Advice $one): string => $one->code, Advisor::on($cured, $after));
            $this->assertNotContains($advice[0]->code, $codes, $advice[0]->cure);
            $this->assertNotEquals(Garden::module($rules)->toArray(), $cured->toArray());
        }
    }

    public function test_a_contrast_that_fails_is_told_with_where_it_is_cured(): void
    {
        $look = ShippedLooks::first()->toArray();
        $pale = LookReader::read(['colours' => ['quiet' => '#b0b0b0'] + (array) $look['colours']] + $look);
        $advice = Advisor::on(self::plain(), self::facts(['contrasts' => Contrasts::of($pale, $pale->colours)]));
        $this->assertSame(['contrast'], array_map(fn (Advice $one): string => $one->code, $advice));
        $this->assertStringContainsString('quiet on paper has a contrast of 2.', $advice[0]->sentence);
        $this->assertSame('/look', $advice[0]->to);
    }

    /** Worked by hand: the nearest number of cards that fills every row at every width; with four across 4, 8 or 12. */
    public function test_the_nearest_full_page(): void
    {
        foreach ([
            [10, [4], 8], [11, [4], 12], [9, [4], 8], [3, [4], 4], [10, [1, 2, 4], 8], [10, [1, 2, 3], 12],
            [7, [2, 3], 6], [20, [4, 6], 24], [1, [3], 3],
            // No page of a useful length fills rows of five and of six; 10 fills one of them, as 12 would.
            [10, [5, 6], 10], [11, [5, 6], 10], [14, [5, 6], 15],
        ] as [$size, $columns, $full]) {
            $this->assertSame($full, Advisor::fullSize($size, $columns), "{$size} with ".implode(', ', $columns));
        }
    }

    /** “Show 9” is never followed by “Show 12”: a cure that was taken is not advised against. */
    public function test_the_advice_on_rows_agrees_with_itself(): void
    {
        $sets = [[1, 2, 3, 4], [1, 2, 4, 5], [2, 3, 5, 7], [1, 1, 5, 6], [1, 3, 4, 8], [2, 2, 7, 9]];
        foreach (range(1, 40) as $size) {
            foreach ([$sets[$size % 6], $sets[intdiv($size, 6) % 6]] as $columns) {
                $module = Garden::module([
                    'page' => ['mode' => 'numbered', 'size' => $size],
                    'arrange' => [
                        'as' => 'grid',
                        'columns' => array_combine(['phone', 'tablet', 'laptop', 'desktop'], $columns),
                    ],
                ]);
                $advised = fn (Module $module): array => array_values(array_filter(
                    Advisor::on($module, self::facts(['total' => 400])),
                    fn (Advice $one): bool => $one->at === 'page.size',
                ));
                $first = $advised($module)[0] ?? null;
                if ($first?->definition !== null) {
                    $this->assertSame(
                        [],
                        array_map(
                            fn (Advice $one): string => $one->sentence,
                            $advised(Garden::module($first->definition)),
                        ),
                        "{$size} with ".implode(', ', $columns).": {$first->cure}",
                    );
                }
            }
        }
        $this->assertSame('Show 12 at a time', $advised(Garden::module([
            'page' => ['mode' => 'numbered', 'size' => 10],
            'arrange' => ['as' => 'grid', 'columns' => ['phone' => 1, 'tablet' => 2, 'laptop' => 3, 'desktop' => 4]],
        ]))[0]->cure);
    }

    private static function plain(): Module
    {
        return Garden::module(['arrange' => ['as' => 'list']]);
    }

    public function test_advice_on_the_last_row_counts_the_columns_that_its_slot_allows(): void
    {
        $module = Garden::module([
            'page' => ['mode' => 'numbered', 'size' => 8], 'arrange' => ['as' => 'grid', 'columns' => [
                'phone' => 1, 'tablet' => 2, 'laptop' => 4, 'desktop' => 4,
            ]],
        ]);
        $said = fn (array $slots): array => array_map(
            fn (Advice $one): string => $one->sentence,
            array_values(array_filter(
                Advisor::on($module, self::facts(['total' => 40, 'slots' => $slots, 'space' => 8.0])),
                fn (Advice $one): bool => $one->code === 'lastRow',
            )),
        );
        $this->assertSame([], $said([]), 'four across, as the definition says');
        // (560 + 20) / (160 + 20) = 3.2: three across.
        $this->assertSame(
            ['With 3 across on a desktop, 8 a page leave 2 alone in the last row.'],
            $said(['desktop' => [560.0], 'laptop' => [1216.0]]),
        );
        $this->assertSame([], $said(['desktop' => [294.0, 1216.0], 'laptop' => [294.0]]), 'one across, and four');
    }

    /** @param  array<string, mixed>  $facts */
    private static function facts(array $facts): AdviceFacts
    {
        return new AdviceFacts(...$facts + [
            'total' => 38, 'passing' => 38, 'emptyParts' => [],
            'contrasts' => Contrasts::of(ShippedLooks::first(), ShippedLooks::first()->colours),
        ]);
    }
}
