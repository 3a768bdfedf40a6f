<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Garden;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Explain\ListingDiff;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Sort\Criterion\WeightedRating;
use Wellspring\Core\Sort\SortContext;

/** Orders that are not a field, headings, sources that are not items, and what changes from one listing to another. */
final class OrderTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $rules
     * @param  list<Record>  $records
     */
    private static function listed(array $rules, array $records, ?Context $context = null): Result
    {
        return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))->run(
            Garden::module($rules),
            $records,
            $context ?? Garden::context(),
        );
    }

    /**
     * The Bayesian mean, (C·m + Σ)/(C + n), reckoned by hand: one rating of 5, a hundred that average 4.6, none at all.
     * m = (5 + 460) / 101. With C = 5: A = (5m + 5) / 6, B = (5m + 460) / 105, C = m.
     */
    public function test_the_weighted_rating_on_worked_numbers(): void
    {
        $records = [
            Garden::record(1, ['rating' => 5, 'ratings' => 1]),
            Garden::record(2, ['rating' => 4.6, 'ratings' => 100]),
            Garden::record(3),
        ];
        $by = WeightedRating::of(Garden::plant());
        $this->assertNotNull($by);
        $value = $by->values(new SortContext('m', Garden::context(), $records));
        $held = (new \ReflectionFunction($value))->getStaticVariables();
        $this->assertSame(['mean'], array_keys($held), 'the mean is reckoned once, not for each record');
        $values = array_map(fn (Record $record): mixed => $value($record), $records);
        $this->assertEqualsWithDelta([4.669967, 4.600189, 4.60396], $values, 0.000001);
        $this->assertSame(
            [1, 3, 2],
            self::listed(['order' => [['by' => 'weightedRating', 'direction' => 'down']]], $records)->ids(),
        );
        $this->assertSame(
            [1, 2, 3],
            self::listed(
                ['order' => [['by' => 'weightedRating', 'confidence' => 0, 'direction' => 'down']]],
                $records,
            )->ids(),
            'without confidence each stands by its own, and one without ratings last',
        );
    }

    public function test_the_price_asked_now_is_the_sale_price_inside_its_dates(): void
    {
        $records = [
            Garden::record(
                1,
                ['price' => 9, 'sale_price' => 3, 'sale_from' => '2026-06-01', 'sale_until' => '2026-06-01'],
            ),
            Garden::record(2, ['price' => 4, 'sale_price' => 1, 'sale_until' => '2026-05-31']),
            Garden::record(3, ['price' => 2]),
            Garden::record(4, ['sale_price' => 1]),
            Garden::record(5),
        ];
        $this->assertSame([4, 3, 1, 2, 5], self::listed(['order' => [['by' => 'priceNow']]], $records)->ids());
    }

    public function test_by_hand_shuffled_and_most_seen(): void
    {
        $records = array_map(
            fn (int $id): Record => Garden::record($id, publishAt: "2026-01-0{$id}T00:00:00Z")->withRelations(
                [],
                ['2026-06-01' => $id % 3, '2026-04-01' => 10 - $id, '2026-05-02' => 0, '2026-06-02' => 50 - 10 * $id],
                [2 => ['' => 5], 4 => ['' => 1]][$id] ?? [],
            ),
            range(1, 5),
        );
        $this->assertSame(
            [4, 2, 5, 3, 1],
            self::listed(['order' => [['by' => 'byHand']]], $records)->ids(),
            'those never placed come after, newest first',
        );
        $this->assertSame(
            [5, 3, 1, 4, 2],
            self::listed(['order' => [['by' => 'byHand', 'empty' => 'first']]], $records)->ids(),
            'asked for first, they come before',
        );
        $this->assertSame(
            [5, 3, 1, 2, 4],
            self::listed(['order' => [['by' => 'byHand', 'empty' => 'first', 'direction' => 'down']]], $records)->ids(),
        );
        $this->assertSame(
            [2, 5, 1, 4, 3],
            self::listed(['order' => [['by' => 'popularity', 'days' => 30, 'direction' => 'down']]], $records)->ids(),
            'seen on 1 June, tomorrow’s views have not happened',
        );
        $this->assertSame(
            [1, 2, 3, 4, 5],
            self::listed(['order' => [['by' => 'popularity', 'days' => 62, 'direction' => 'down']]], $records)->ids(),
            '62 days, today among them, begin on 1 April',
        );
        $this->assertSame(
            [2, 5, 1, 4, 3],
            self::listed(['order' => [['by' => 'popularity', 'days' => 61, 'direction' => 'down']]], $records)->ids(),
            '61 begin on 2 April',
        );
        $this->assertSame(
            [1, 2, 3, 4, 5],
            self::listed(['order' => [['by' => 'views', 'direction' => 'down']]], [...$records])->ids(),
        );
        $shuffled = fn (string $at, string $key = 'plants'): array => self::listed(
            ['key' => $key, 'order' => [['by' => 'shuffle']]],
            $records,
            Garden::context($at),
        )->ids();
        $this->assertSame($shuffled('2026-06-01T00:00:00Z'), $shuffled('2026-06-01T22:00:00Z'), 'fixed for the day');
        $this->assertNotSame(
            $shuffled('2026-06-01T00:00:00Z'),
            $shuffled('2026-06-01T00:00:00Z', 'others'),
            'each module in an order of its own',
        );
        $days = array_map(
            fn (int $day): string => implode(',', $shuffled(sprintf('2026-06-%02dT12:00:00Z', $day))),
            range(1, 20),
        );
        $this->assertGreaterThan(10, count(array_unique($days)), 'another order on other days');
    }

    public function test_headings_stand_in_order_and_count_what_shows(): void
    {
        $records = [
            Garden::record(1, ['light' => 'shade', 'sown' => '2026-05-03'], 'Fern'),
            Garden::record(2, ['light' => 'sun', 'sown' => '2026-04-30'], 'fescue'),
            Garden::record(3, ['sown' => '2026-05-31'], 'Ébène'),
            Garden::record(4, ['light' => 'sun'], '7 barks'),
            Garden::record(5, ['light' => 'sun', 'sown' => '2025-05-01'], 'Zinnia'),
        ];
        $by = fn (array $headings, array $more = []): array => (array) self::listed(
            ['headings' => $headings, 'order' => [['by' => 'title']]] + $more,
            $records,
        )->headings;
        $this->assertSame(['sun' => 3, 'shade' => 1, '' => 1], $by(['by' => 'light']));
        $this->assertSame(
            ['shade' => 1, 'sun' => 3, '' => 1],
            $by(['by' => 'light', 'direction' => 'down']),
            'those without a value come last either way',
        );
        $this->assertSame(
            ['2025-05-01' => 1, '2026-04-01' => 1, '2026-05-01' => 2, '' => 1],
            $by(['by' => 'sown', 'per' => 'month']),
        );
        $this->assertSame(
            ['2025-04-28' => 1, '2026-04-27' => 2, '2026-05-25' => 1, '' => 1],
            $by(['by' => 'sown', 'per' => 'week']),
            'weeks from Monday: 3 May 2026 is a Sunday',
        );
        $this->assertSame(['7' => 1, 'e' => 1, 'f' => 2, 'z' => 1], $by(['by' => 'title']));
        $this->assertSame(
            ['sun' => 1, 'shade' => 1],
            $by(
                ['by' => 'light'],
                [
                    'pin' => ['plant-2'],
                    'skip' => 1,
                    'atMost' => 3,
                    'where' => [
                        'all' => [
                            ['field' => 'id', 'test' => 'notThisOne'],
                            ['field' => 'light', 'test' => 'filled'],
                            ['field' => 'title', 'test' => 'isNot', 'value' => 'Zinnia'],
                        ],
                    ],
                ],
            ),
            'what is pinned or skipped stands under none',
        );
    }

    public function test_what_the_page_is_about_gives_values(): void
    {
        $item = Garden::record(9, ['groups' => ['ferns', 'shrubs'], 'light' => 'shade', 'height' => 30]);
        $records = [
            Garden::record(1, ['groups' => ['ferns', 'shrubs'], 'light' => 'shade']),
            Garden::record(2, ['groups' => ['ferns'], 'height' => 30]),
            Garden::record(3, ['groups' => ['hostas']]),
            $item,
        ];
        $on = fn (array $rules, PageSubject $page): array => self::listed(
            $rules + ['order' => [['by' => 'slug']]],
            $records,
            Garden::context(page: $page),
        )->ids();
        $where = fn (array ...$rules): array => ['where' => ['all' => array_values($rules)]];
        $related = $where(
            ['field' => 'id', 'test' => 'related', 'value' => ['groups']],
            ['field' => 'id', 'test' => 'notThisOne'],
        );
        $this->assertSame([1, 2], $on($related, new PageSubject($item)));
        $this->assertSame(
            [1, 2],
            self::listed($related, $records, Garden::context(page: new PageSubject($item)))->ids(),
            'more shared terms first where nothing is said',
        );
        $this->assertSame([], $on($related, new PageSubject), 'nothing is related to a page about nothing');
        $this->assertSame([1, 2, 3, 9], $on($where(['field' => 'id', 'test' => 'notThisOne']), new PageSubject));
        $term = [
            'field' => 'groups',
            'test' => 'anyOf',
            'value' => ['from' => 'page', 'take' => 'term'],
            'below' => true,
        ];
        $this->assertSame(
            [1, 2, 3, 9],
            $on($where($term), new PageSubject(term: ['taxonomy' => 'groups', 'slug' => 'perennials'])),
        );
        $this->assertSame([], $on($where($term), new PageSubject), 'a value that the page lacks keeps nothing');
        $this->assertSame(
            [1, 2, 3, 9],
            $on($where(['whenMissing' => 'keepAll'] + $term), new PageSubject),
            'unless the module says otherwise',
        );
        $this->assertSame([1, 2, 9], $on($where($term), new PageSubject($item)), 'on an item’s page, its terms');
        $this->assertSame(
            [1, 9],
            $on(
                $where([
                    'field' => 'light',
                    'test' => 'anyOf',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => 'light'],
                ]),
                new PageSubject($item),
            ),
        );
        $this->assertSame(
            [2, 9],
            $on(
                $where([
                    'field' => 'height',
                    'test' => 'eq',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => 'height'],
                ]),
                new PageSubject($item),
            ),
        );
    }

    /** As few as possible move, so that the others keep their order: held against every subset. */
    public function test_as_few_records_move_as_possible(): void
    {
        $random = new Randomizer(new Mt19937(4));
        for ($n = 0; $n < 120; $n++) {
            $before = array_slice($random->shuffleArray(range('a', 'i')), 0, 7);
            $after = array_slice($random->shuffleArray(range('a', 'i')), 0, 7);
            $shift = ListingDiff::between($before, $after);
            $this->assertEqualsCanonicalizing(array_diff($after, $before), $shift->comes);
            $this->assertEqualsCanonicalizing(array_diff($before, $after), $shift->goes);
            $stay = array_values(array_intersect($after, $before));
            $keepsOrder = fn (array $gone): bool => array_values(array_diff($stay, $gone)) === array_values(
                array_intersect(array_diff($before, $gone), $stay),
            );
            $this->assertTrue($keepsOrder($shift->moves));
            $fewest = count($stay);
            for ($set = 0; $set < 2 ** count($stay); $set++) {
                $gone = array_values(
                    array_filter($stay, fn (int $i): bool => (bool) ($set >> $i & 1), ARRAY_FILTER_USE_KEY),
                );
                $fewest = $keepsOrder($gone) ? min($fewest, count($gone)) : $fewest;
            }
            $this->assertCount($fewest, $shift->moves);
        }
    }
}
