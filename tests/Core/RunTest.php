<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\Twice;
use Wellspring\Core\Card\RenderedPart;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Source\SourceKinds;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** What rules.md says of each rule, on records small enough to see through. */
final class RunTest extends TestCase
{
    public function test_a_record_that_stands_more_than_once_is_told_apart_by_its_start(): void
    {
        SourceKinds::add(Twice::class);
        $result = self::listed(
            ['source' => ['twice' => ['plant']], 'order' => [['by' => 'title']], 'page' => ['size' => 3]],
            [
                Garden::record(1, title: 'B', publishAt: '2026-03-01T08:00:00Z'),
                Garden::record(2, title: 'A', publishAt: '2026-03-01T09:00:00Z'),
            ],
        );
        SourceKinds::reset();
        $this->assertSame(
            ['plant:2@2026-03-01T09:00:00Z', 'plant:2@2026-03-02T09:00:00Z', 'plant:1@2026-03-01T08:00:00Z'],
            array_map(strval(...), $result->keys),
        );
        $this->assertGreaterThan(0, $result->keys[1]->compareTo($result->keys[0]), 'the later start comes later');
        $this->assertEquals($result->keys, array_map(RecordKey::parse(...), array_map(strval(...), $result->keys)));
    }

    /**
     * @param  array<string, mixed>  $rules
     * @param  list<Record>  $records
     */
    private static function listed(
        array $rules,
        array $records,
        int $page = 1,
        ?Viewer $viewer = null,
    ): Result {
        return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))->run(
            Garden::module($rules),
            $records,
            Garden::context('2026-06-01T12:00:00Z', $viewer),
            $page,
        );
    }

    /** @return array<string, int> */
    private static function steps(Result $result): array
    {
        return array_column(array_map(fn ($step): array => [(string) $step->name, $step->left], $result->steps), 1, 0);
    }

    public function test_candidates_are_published_in_time_and_for_the_viewer(): void
    {
        $records = [
            Garden::record(1),
            Garden::record(2, status: Status::Draft),
            Garden::record(3, publishAt: '2026-06-01T12:00:00Z'),
            Garden::record(4, publishAt: '2026-06-01T12:00:01Z'),
            Garden::record(5, expireAt: '2026-06-01T12:00:00Z'),
            Garden::record(6, expireAt: '2026-06-01T12:00:01Z'),
            Garden::record(7, audience: Audience::members()),
            Garden::record(8, audience: Audience::signedOut()),
            Garden::record(9, publishAt: null),
        ];
        $order = ['order' => [['by' => 'slug']]];
        $this->assertSame([1, 3, 6, 8], self::listed($order, $records)->ids());
        $this->assertSame([1, 3, 6, 7], self::listed($order, $records, viewer: Viewer::member())->ids());
        $this->assertSame(
            [1, 3, 6],
            self::listed($order + ['pin' => ['plant-7', 'plant-4']], $records, viewer: Viewer::anyone())->ids(),
            'a pin does not show what may not be seen',
        );
    }

    /**
     * @param  array<string, mixed>  $condition
     * @param  list<int>  $kept
     */
    #[DataProvider('conditions')]
    public function test_conditions(array $condition, array $kept): void
    {
        $records = [
            Garden::record(
                1,
                [
                    'height' => 40,
                    'nickname' => 'Crème',
                    'light' => 'shade',
                    'uses' => ['pot', 'cut'],
                    'hardy' => true,
                    'groups' => ['tree-ferns'],
                    'story' => '<p>Tall &amp; <b>Gréen</b></p>',
                ],
            ),
            Garden::record(
                2,
                [
                    'height' => 0,
                    'nickname' => 'cream',
                    'light' => 'sun',
                    'uses' => ['hedge'],
                    'hardy' => false,
                    'groups' => ['shrubs', 'hostas'],
                ],
            ),
            Garden::record(3, ['story' => '<p> </p>', 'nickname' => ' ']),
        ];
        $result = self::listed(['where' => ['all' => [$condition]], 'order' => [['by' => 'slug']]], $records);
        $this->assertSame($kept, $result->ids());
        $off = self::listed(
            ['where' => ['all' => [['off' => true] + $condition]], 'order' => [['by' => 'slug']]],
            $records,
        );
        $this->assertSame([1, 2, 3], $off->ids(), 'switched off it keeps everything');
    }

    /** @return array<string, array{array<string, mixed>, list<int>}> */
    public static function conditions(): array
    {
        $one = fn (
            string $field,
            string $test,
            mixed $value = null,
        ): array => ['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value]);

        return [
            '= 0 is a value' => [$one('height', 'eq', 0), [2]],
            '≠ keeps the empty' => [$one('height', 'ne', 40), [2, 3]],
            '<' => [$one('height', 'lt', 40), [2]],
            '≤' => [$one('height', 'lte', 40), [1, 2]],
            '>' => [$one('height', 'gt', 0), [1]],
            '≥' => [$one('height', 'gte', 0), [1, 2]],
            'both ends belong' => [$one('height', 'between', [0, 40]), [1, 2]],
            'is, aside accents' => [$one('nickname', 'is', 'CREME'), [1]],
            'is not keeps the empty' => [$one('nickname', 'isNot', 'creme'), [2, 3]],
            'contains' => [$one('nickname', 'contains', 'rè'), [1, 2]],
            'does not contain keeps the empty' => [$one('nickname', 'lacks', 'creme'), [2, 3]],
            'begins' => [$one('nickname', 'begins', 'CRE'), [1, 2]],
            'ends' => [$one('nickname', 'ends', 'am'), [2]],
            'HTML by what is read' => [$one('story', 'contains', 'tall & green'), [1]],
            'HTML without words is empty' => [$one('story', 'empty'), [2, 3]],
            'white space is empty' => [$one('nickname', 'filled'), [1, 2]],
            'any of choices' => [$one('light', 'anyOf', ['shade', 'half-shade']), [1]],
            'none of choices keeps the empty' => [$one('light', 'noneOf', ['shade']), [2, 3]],
            'several choices' => [$one('uses', 'anyOf', ['cut']), [1]],
            'all of several choices' => [$one('uses', 'allOf', ['cut', 'pot']), [1]],
            'not all of them' => [$one('uses', 'allOf', ['cut', 'hedge']), []],
            'all of several terms' => [$one('groups', 'allOf', ['shrubs', 'hostas']), [2]],
            'all of terms and below' => [$one('groups', 'allOf', ['shrubs', 'ferns']) + ['below' => true], []],
            'none of several choices' => [$one('uses', 'noneOf', ['cut', 'pot']), [2, 3]],
            'yes' => [$one('hardy', 'yes'), [1]],
            'no only where stated' => [$one('hardy', 'no'), [2]],
            'a term itself' => [$one('groups', 'anyOf', ['perennials']), []],
            'a term and all below' => [$one('groups', 'anyOf', ['perennials']) + ['below' => true], [1, 2]],
            'none of a term and below' => [$one('groups', 'noneOf', ['ferns']) + ['below' => true], [2, 3]],
            'terms empty' => [$one('groups', 'empty'), [3]],
        ];
    }

    public function test_groups_join_and_nest_and_an_empty_one_keeps_everything(): void
    {
        $records = array_map(fn (int $n): Record => Garden::record($n, ['height' => $n]), [1, 2, 3, 4]);
        $is = fn (int $n): array => ['field' => 'height', 'test' => 'eq', 'value' => $n];
        $keeps = fn (array $where): array => self::listed(
            ['where' => $where, 'order' => [['by' => 'height']]],
            $records,
        )->ids();
        $this->assertSame([1, 3], $keeps(['any' => [$is(1), $is(3)]]));
        $this->assertSame([2, 4], $keeps(['none' => [$is(1), $is(3)]]));
        $this->assertSame([2], $keeps(['all' => [['none' => [$is(1), $is(3)]], ['any' => [$is(1), $is(2)]]]]));
        foreach (['all', 'any', 'none'] as $join) {
            $this->assertSame([1, 2, 3, 4], $keeps([$join => []]), $join);
            $this->assertSame([1, 2, 3, 4], $keeps([$join => [['off' => true] + $is(1)]]), "{$join}, all of it off");
        }
        $this->assertSame([3], $keeps(['any' => [['off' => true] + $is(1), $is(3)]]), 'what is off is not there');
        // Nobody looks for anything on this page, so the rule is as if it were switched off; the page has no term, so
        // that rule holds for no record.
        $words = ['field' => 'words', 'test' => 'search', 'value' => ['from' => 'address', 'name' => 'q']];
        $term = ['field' => 'groups', 'test' => 'anyOf', 'value' => ['from' => 'page', 'take' => 'term']];
        $viewer = ['field' => 'keeper', 'test' => 'anyOf', 'value' => ['from' => 'viewer']];
        $this->assertSame(
            [[1, 2, 3, 4], [3], [1, 2, 4]],
            [$keeps(['all' => [$words]]), $keeps(['any' => [$words, $is(3)]]), $keeps(['none' => [$words, $is(3)]])],
        );
        foreach ([$term, $viewer, ['whenMissing' => 'keepNone'] + $words] as $none) {
            $this->assertSame(
                [[], [3], [1, 2, 4]],
                [$keeps(['all' => [$none]]), $keeps(['any' => [$none, $is(3)]]), $keeps(['none' => [$none, $is(3)]])],
            );
        }
        $this->assertSame(
            [1, 2, 4],
            $keeps(['none' => [['whenMissing' => 'keepAll'] + $term, $is(3)]]),
            'unless the module says otherwise',
        );
    }

    public function test_order_puts_empties_last_both_ways_and_ties_by_id(): void
    {
        $records = [
            Garden::record(4, ['price' => 5], 'Bed 10'),
            Garden::record(3, [], 'bed 2'),
            Garden::record(2, ['price' => 5], 'Éclair'),
            Garden::record(1, ['price' => 9.5], 'eclair'), Garden::record(5, [], 'Zinnia'),
        ];
        $by = fn (array ...$keys): array => self::listed(['order' => $keys], $records)->ids();
        $this->assertSame([2, 4, 1, 3, 5], $by(['by' => 'price']));
        $this->assertSame([1, 2, 4, 3, 5], $by(['by' => 'price', 'direction' => 'down']));
        $this->assertSame([3, 5, 2, 4, 1], $by(['by' => 'price', 'empty' => 'first']));
        $this->assertSame(
            [3, 4, 1, 2, 5],
            $by(['by' => 'title']),
            'CLDR order, numbers by value, accents after the plain letter',
        );
        $this->assertSame(
            [4, 2, 1, 3, 5],
            $by(['by' => 'price'], ['by' => 'title']),
            'the second key decides where the first ties',
        );
    }

    public function test_a_search_keeps_what_holds_every_word(): void
    {
        $records = [
            Garden::record(1)->withRelations(
                ['A' => ['title' => 'lady fern'], 'D' => ['story' => 'moss and stone']],
                [],
                [],
            ),
            Garden::record(2)->withRelations(['A' => ['title' => 'fern']], [], []),
            Garden::record(3)->withRelations(['B' => ['nickname' => 'mossy ferns']], [], []),
        ];
        $found = fn (string $words, array $more = []): array => self::listed(
            [
                'where' => ['all' => [['field' => 'words', 'test' => 'search', 'value' => $words] + $more]],
                'order' => [['by' => 'slug']],
            ],
            $records,
        )->ids();
        $this->assertSame(
            [[1, 2], [1], [1, 3], []],
            [$found('FERN'), $found('fern moss'), $found('fern* moss*'), $found('fern bog')],
        );
        $this->assertSame([], $found('fern moss', ['in' => ['title' => 3]]), 'every word in the fields that are named');
    }

    public function test_choices_sort_in_the_order_in_which_the_type_lists_them(): void
    {
        $records = [
            Garden::record(1, ['light' => 'shade']),
            Garden::record(2, ['light' => 'sun']),
            Garden::record(3),
            Garden::record(4, ['light' => 'half-shade']),
        ];
        $this->assertSame([2, 4, 1, 3], self::listed(['order' => [['by' => 'light']]], $records)->ids());
    }

    public function test_steps_come_in_their_order_with_their_counts(): void
    {
        $records = array_map(
            fn (int $n): Record => Garden::record($n, $n % 2 === 0 ? ['height' => $n] : []),
            range(1, 10),
        );
        $rules = [
            'where' => ['all' => [['field' => 'height', 'test' => 'gt', 'value' => 2]]],
            'leaveOut' => ['plant-4', 'plant-1'],
            'pin' => ['plant-3', 'plant-10', 'plant-1', 'plant-3x'],
            'order' => [['by' => 'height']],
        ];
        $result = self::listed($rules, $records);
        $this->assertSame(
            [3, 10, 6, 8],
            $result->ids(),
            'a pin need not pass the conditions, is never twice, and left out wins over pinned',
        );
        $this->assertSame(
            ['source' => 10, 'where.all[0]' => 4, 'choices' => 4, 'leaveOut' => 3, 'empty' => 3, 'total' => 4],
            self::steps($result),
        );

        $paged = $rules + ['skip' => 1, 'atMost' => 2, 'page' => ['size' => 1]];
        $this->assertSame([10], self::listed($paged, $records)->ids());
        $this->assertSame([6], self::listed($paged, $records, 2)->ids());
        $this->assertSame([2, 2], [self::listed($paged, $records)->total, self::listed($paged, $records)->pages]);
        $this->assertSame(
            [8, 2, 0],
            array_map(
                fn (array $more): int => self::listed($more, $records)->total,
                [['skip' => 2], ['skip' => 8, 'atMost' => 5], ['skip' => 30]],
            ),
        );
        $this->assertSame(
            ['source' => 10, 'where' => 4, 'choices' => 4, 'leaveOut' => 4, 'empty' => 4, 'total' => 4],
            self::steps(
                self::listed(
                    [
                        'where' => [
                            'none' => [
                                ['field' => 'height', 'test' => 'lte', 'value' => 2],
                                ['field' => 'height', 'test' => 'empty'],
                            ],
                        ],
                    ],
                    $records,
                ),
            ),
        );
    }

    public function test_a_card_with_no_lines_left_leaves_its_record_out_before_paging(): void
    {
        $records = [Garden::record(1, ['price' => 4]), Garden::record(2), Garden::record(3, ['height' => 9])];
        $price = ['part' => 'field', 'field' => 'price'];
        $height = ['part' => 'field', 'field' => 'height'];
        $ids = fn (array ...$lines): array => self::listed(
            [
                'card' => ['lines' => array_map(fn (array $parts): array => ['parts' => $parts], $lines)],
                'order' => [['by' => 'slug']],
            ],
            $records,
        )->ids();
        $this->assertSame([1, 3], $ids([$price, $height]), 'one part of the line is enough');
        $this->assertSame(
            [1],
            $ids([['empty' => ['do' => 'leaveOutLine']] + $price, $height]),
            'a part takes its whole line with it',
        );
        $this->assertSame(
            [1, 2, 3],
            $ids([$price, ['empty' => ['do' => 'say', 'text' => '?']] + $height]),
            'what is said shows',
        );
        $this->assertSame([1, 3], $ids([$price], [$height]));
        $story = [
            Garden::record(1, ['story' => '<p><img src="/a.webp"></p>', 'text' => '<p>…</p>']),
            Garden::record(2, ['story' => '<p>Long ago</p>']),
            Garden::record(3),
        ];
        $told = self::listed(
            [
                'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => 'story']]]]],
                'order' => [['by' => 'slug']],
            ],
            $story,
        );
        $this->assertSame(
            [2],
            $told->ids(),
            'of text with markup only what can be read is shown; a picture alone is an empty part',
        );
    }

    public function test_cards_show_values_as_the_site_writes_them_and_leave_no_holes(): void
    {
        $module = Garden::module(['card' => ['lines' => [
            ['parts' => [['part' => 'picture', 'empty' => ['do' => 'leaveOutLine']], ['part' => 'title']]],
            [
                'parts' => [
                    ['part' => 'price', 'empty' => ['do' => 'say', 'text' => 'Ask']],
                    ['part' => 'field', 'field' => 'height'],
                    ['part' => 'field', 'field' => 'light'],
                    ['part' => 'field', 'field' => 'groups'],
                ],
            ],
            [
                'parts' => [
                    ['part' => 'field', 'field' => 'sown'],
                    ['part' => 'field', 'field' => 'watered'],
                    ['part' => 'field', 'field' => 'hardy'],
                    ['part' => 'excerpt', 'words' => 2],
                ],
            ],
        ]]]);
        $text = fn (Record $record): array => array_map(
            fn (array $line): string => implode(
                ' | ',
                array_map(fn (RenderedPart $part): string => $part->text, $line),
            ),
            $module->card->lines($record, Garden::cards()),
        );
        $this->assertSame([
            'fern.webp | Plant 1',
            "£1,234.50 | 40\u{A0}cm | Full sun | Tree ferns, Shrubs",
            '1 May 2026 | 2 May 2026, 00:30 | No | One two…',
        ], $text(Garden::record(1, [
            'picture' => 'fern.webp', 'price' => 1234.5, 'height' => 40, 'light' => 'sun', 'groups' => [
                'tree-ferns',
                'shrubs',
            ],
            'sown' => '2026-05-01',
            'watered' => '2026-05-01T23:30:00Z',
            'hardy' => false,
            'text' => '<p>One two three</p>',
        ])), 'a moment shows the day and the time of the site’s time zone');
        $this->assertSame(['Ask'], $text(Garden::record(2)));
    }
}
