<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Card\RenderedPart;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** What an item links to counts and shows only where the viewer may see it. */
final class LinksTest extends TestCase
{
    /**
     * @return list<Record> plants 1 to 6: a friend for everyone, a draft, one for members, one from July on, one of
     *   each, none
     */
    private static function plants(): array
    {
        $fern = Garden::record(11, ['nickname' => 'Fern', 'groups' => ['ferns']], 'Fern');
        $draft = Garden::record(12, ['nickname' => 'Draft', 'groups' => ['shrubs']], 'Draft', Status::Draft);
        $members = Garden::record(
            13,
            ['nickname' => 'Members', 'groups' => ['hostas']],
            'For members',
            audience: Audience::members(),
        );
        $july = Garden::record(14, ['nickname' => 'July'], 'From July', publishAt: '2026-07-01T00:00:00Z');

        return array_map(
            fn (array $friends, int $i): Record => Garden::record(
                $i + 1,
                ['friends' => array_map(fn (Record $one): string => $one->name(), $friends)],
                linked: ['friends' => $friends],
            ),
            [[$fern], [$draft], [$members], [$july], [$fern, $draft, $members], []],
            range(0, 5),
        );
    }

    /**
     * @param  array<string, mixed>  $condition
     * @param  list<int>  $kept
     */
    #[DataProvider('conditions')]
    public function test_conditions_on_links(
        array $condition,
        array $kept,
        ?Viewer $viewer = null,
        string $at = '2026-06-01T12:00:00Z',
    ): void {
        $this->assertSame($kept, self::ids(['where' => ['all' => [$condition]]], Garden::context($at, $viewer)));
    }

    /** @return array<string, array{0: array<string, mixed>, 1: list<int>, 2?: Viewer, 3?: string}> */
    public static function conditions(): array
    {
        $filled = ['field' => 'friends', 'test' => 'filled'];
        $any = fn (int ...$ids): array => [
            'field' => 'friends',
            'test' => 'anyOf',
            'value' => array_map(fn (int $id): string => "plant-{$id}", array_values($ids)),
        ];

        return [
            'filled asks for a link that may be seen' => [$filled, [1, 5]],
            'filled, seen by a member' => [$filled, [1, 3, 5], Viewer::member()],
            'filled, seen in July' => [$filled, [1, 4, 5], Viewer::signedOut(), '2026-07-01T00:00:00Z'],
            'empty is the opposite' => [['field' => 'friends', 'test' => 'empty'], [2, 3, 4, 6]],
            'a hidden one is not among them' => [$any(12, 13), []],
            'any of' => [$any(11, 12), [1, 5]],
            'all of' => [['test' => 'allOf'] + $any(11, 13), [5], Viewer::member()],
            'all of, one of them hidden' => [['test' => 'allOf'] + $any(11, 13), []],
            'none of keeps what links to nothing that may be seen' => [
                ['test' => 'noneOf'] + $any(11, 13),
                [2, 3, 4, 6],
            ],
            'through a link' => [['field' => 'friends.nickname', 'test' => 'is', 'value' => 'fern'], [1, 5]],
            'through a hidden link' => [['field' => 'friends.nickname', 'test' => 'is', 'value' => 'draft'], []],
            'a negative test fails on one that is so' => [
                ['field' => 'friends.nickname', 'test' => 'isNot', 'value' => 'fern'],
                [2, 3, 4, 6],
            ],
            'a negative test holds where only hidden ones are so' => [
                ['field' => 'friends.nickname', 'test' => 'isNot', 'value' => 'draft'],
                [1, 2, 3, 4, 5, 6],
            ],
            'terms through a link' => [
                ['field' => 'friends.groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true],
                [1, 3, 5],
                Viewer::member(),
            ],
        ];
    }

    public function test_a_card_shows_the_links_that_may_be_seen_and_is_empty_without_one(): void
    {
        $friends = fn (string $do, mixed ...$more): array => [
            'card' => [
                'lines' => [[
                    'parts' => [
                        ['part' => 'field', 'field' => 'friends', 'empty' => ['do' => $do] + $more],
                        ['part' => 'field', 'field' => 'slug'],
                    ],
                ]],
            ],
        ];
        $this->assertSame(
            [1, 5],
            self::ids($friends('leaveOutLine'), Garden::context()),
            'ten empty cards are no cards',
        );
        $this->assertSame([1, 2, 3, 4, 5, 6], self::ids($friends('say', text: 'alone'), Garden::context()));
        $shown = function (Context $context) use ($friends): array {
            $card = Garden::module($friends('say', text: 'alone'))->card;

            return array_map(fn (Record $plant): string => implode('|', array_map(
                fn (RenderedPart $part): string => $part->text,
                array_slice(
                    $card->lines($plant->seenThrough($context->visibility()), Garden::cards($context))[0],
                    0,
                    1,
                ),
            )), self::plants());
        };
        $this->assertSame(['Fern', 'alone', 'alone', 'alone', 'Fern', 'alone'], $shown(Garden::context()));
        $this->assertSame(
            ['Fern', 'alone', 'For members', 'alone', 'Fern, For members', 'alone'],
            $shown(Garden::context(viewer: Viewer::member())),
        );
        $trace = Trace::of(
            Garden::module($friends('leaveOutLine')),
            self::plants()[1],
            Garden::context(),
            Garden::format(),
        );
        $this->assertSame(['Nothing of its card is left: every part that could show is empty.'], $trace->reasons());
    }

    public function test_whoever_is_gone_shows_nowhere_and_leaves_no_empty_card(): void
    {
        $person = fn (int $id, Status $status): Record => new Record(
            $id,
            'people',
            "p{$id}",
            "Person {$id}",
            $status,
            '0001-01-01T00:00:00Z',
            null,
            Audience::everyone(),
            ['email' => "p{$id}@example.org"],
        );
        $by = fn (int $id, ?Record $author): Record => Garden::record(
            $id,
            ['author' => "p{$id}@example.org"],
            linked: $author === null ? ['author' => []] : ['author' => [$author]],
        );
        $records = [$by(1, $person(1, Status::Published)), $by(2, $person(2, Status::Draft)), $by(3, null)];
        $only = [
            'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => 'author']]]]],
            'order' => [['by' => 'slug']],
        ];
        $this->assertSame([1], self::kept($only, $records, Garden::context()));
    }

    /** What the page's item hides from the viewer gives no values, no relations, and nothing that it links to. */
    public function test_a_hidden_item_of_the_page_gives_nothing(): void
    {
        $draft = Garden::record(12, [], 'Draft', Status::Draft);
        $fern = Garden::record(11, [], 'Fern');
        $item = fn (Status $status): Record => Garden::record(
            9,
            ['groups' => ['ferns'], 'height' => 4, 'friends' => ['plant/plant-11', 'plant/plant-12']],
            status: $status,
            linked: ['friends' => [$fern, $draft]],
        );
        $plants = [
            Garden::record(1, ['groups' => ['ferns'], 'height' => 4]),
            Garden::record(
                2,
                ['friends' => ['plant/plant-12', 'plant/plant-11']],
                linked: ['friends' => [$draft, $fern]],
            ),
            Garden::record(3, ['friends' => ['plant/plant-12']], linked: ['friends' => [$draft]]),
        ];
        $kept = fn (array $condition, Status $status): array => self::kept(
            ['where' => ['all' => [$condition]], 'order' => [['by' => 'slug']]],
            $plants,
            Garden::context(page: new PageSubject($item($status))),
        );
        foreach ([
            'its terms' => [
                ['field' => 'groups', 'test' => 'anyOf', 'value' => ['from' => 'page', 'take' => 'term']],
                [1],
            ],
            'its value' => [
                [
                    'field' => 'height',
                    'test' => 'eq',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => 'height'],
                ],
                [1],
            ],
            'what is related' => [['field' => 'id', 'test' => 'related', 'value' => ['groups']], [1]],
            'its links' => [
                [
                    'field' => 'friends',
                    'test' => 'anyOf',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => 'friends'],
                ],
                [2],
            ],
        ] as $what => [$condition, $ids]) {
            $this->assertSame(
                [$ids, []],
                [$kept($condition, Status::Published), $kept($condition, Status::Draft)],
                $what,
            );
        }
        $ordered = fn (Status $status): array => self::kept(
            ['order' => [['by' => 'sharedTerms', 'direction' => 'up']]],
            $plants,
            Garden::context(page: new PageSubject($item($status))),
        );
        $this->assertSame(
            [[2, 3, 1], [1, 2, 3]],
            [$ordered(Status::Published), $ordered(Status::Draft)],
            'the order by shared terms',
        );
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return list<int>
     */
    private static function ids(array $rules, Context $context): array
    {
        return self::kept($rules + ['order' => [['by' => 'slug']]], self::plants(), $context);
    }

    /**
     * @param  array<string, mixed>  $rules
     * @param  list<Record>  $records
     * @return list<int>
     */
    private static function kept(array $rules, array $records, Context $context): array
    {
        return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))
            ->run(Garden::module($rules), $records, $context)->ids();
    }
}
