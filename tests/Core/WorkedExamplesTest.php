<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Wording\RelativeDay;

/** Rules worked out on paper, beside the properties that compare the two runs: both runs call the same code of core. */
final class WorkedExamplesTest extends TestCase
{
    /** Plant groups come in the order perennials, ferns, hostas, shrubs. */
    public function test_a_record_with_several_terms_stands_under_the_first_of_them(): void
    {
        $result = self::listed(['headings' => ['by' => 'groups'], 'order' => [['by' => 'title']]], [
            Garden::record(1, ['groups' => ['hostas', 'ferns']], 'Both'),
            Garden::record(2, ['groups' => ['hostas']], 'Hosta'),
        ]);
        $this->assertSame(['ferns' => 1, 'hostas' => 1], $result->headings);
    }

    /** 4 May 2026 is a Monday; 10 May is the Sunday of the same week (ISO 8601). */
    public function test_a_week_goes_from_its_monday_to_its_sunday_and_a_year_is_said_by_its_number(): void
    {
        $records = [
            Garden::record(1, ['sown' => '2026-05-04'], 'Monday'),
            Garden::record(2, ['sown' => '2026-05-10'], 'Sunday'),
            Garden::record(3, ['sown' => '2026-05-11'], 'Monday after'),
        ];
        $weeks = self::listed(['headings' => ['by' => 'sown', 'per' => 'week']], $records);
        $this->assertSame(['2026-05-04' => 2, '2026-05-11' => 1], $weeks->headings);
        $headings = Garden::module(['headings' => ['by' => 'sown', 'per' => 'week']])->headings;
        $this->assertSame('4 May 2026 – 10 May 2026', $headings?->heading('2026-05-04', Garden::format()));
        $years = Garden::module(['headings' => ['by' => 'sown', 'per' => 'year']])->headings;
        $this->assertSame('2026', $years?->heading('2026-01-01', Garden::format()));
    }

    public function test_the_smaller_of_a_fixed_number_and_an_upper_limit_counts(): void
    {
        $limit = fn (int $size, ?int $atMost, string $mode = 'fixed'): ?int => Garden::module([
            'page' => ['mode' => $mode, 'size' => $size],
        ] + ($atMost === null ? [] : ['atMost' => $atMost]))->displayLimit();
        $this->assertSame([4, 4, 6], [$limit(6, 4), $limit(4, 6), $limit(6, null)]);
        $this->assertSame([9, null], [$limit(6, 9, 'numbered'), $limit(6, null, 'numbered')]);
    }

    public function test_a_fixed_number_holds_where_the_records_are_paged_as_a_table(): void
    {
        $fixed = Garden::module(['page' => ['mode' => 'fixed', 'size' => 3]])->paged(new PagingRule(50));
        $this->assertSame([3, 50], [$fixed->displayLimit(), $fixed->page->size]);
        $this->assertSame(3, $fixed->total(10));
    }

    public function test_a_text_is_ordered_by_its_first_two_hundred_characters(): void
    {
        $same = str_repeat('a', 199);
        $ids = fn (string $first, string $second): array => self::listed(['order' => [['by' => 'title']]], [
            Garden::record(1, [], $first), Garden::record(2, [], $second),
        ])->ids();
        $this->assertSame([2, 1], $ids("{$same}c", "{$same}b"));
        $this->assertSame([1, 2], $ids("{$same}bc", "{$same}ba"), 'the number of the record decides beyond them');
    }

    public function test_not_the_one_being_shown_keeps_everything_on_a_page_about_no_item(): void
    {
        $records = [Garden::record(1, [], 'Oak'), Garden::record(2, [], 'Yew')];
        $rules = ['where' => ['all' => [['field' => 'id', 'test' => 'notThisOne']]], 'order' => [['by' => 'title']]];
        $this->assertSame([1, 2], self::listed($rules, $records)->ids());
        $this->assertSame([2], self::listed($rules, $records, new PageSubject(item: $records[0]))->ids());
    }

    public function test_days_of_more_than_a_year_ago_are_told_in_years(): void
    {
        $said = fn (string $day): string => RelativeDay::of('en-GB')->words($day, '2026-12-01');
        $this->assertSame('12 months ago', $said('2025-12-02'));
        $this->assertSame('1 year ago', $said('2025-12-01'));
        $this->assertSame('2 years ago', $said('2025-01-01'));
    }

    public function test_a_page_size_that_is_no_whole_number_is_not_chosen(): void
    {
        $module = Garden::module(['page' => ['size' => 8], 'offer' => ['key' => 'shade', 'sizes' => [8, 16]]]);
        $size = fn (string $said): int => $module
            ->bound(Garden::context()->with(choices: Choices::fromAddress(['shade-size' => $said])))->page->size;
        $this->assertSame([16, 8, 8], [$size('16'), $size('16abc'), $size('1e1')]);
    }

    /** Sydney lies at 33.87° south. */
    public function test_a_place_on_the_southern_half_of_the_earth_stays_there(): void
    {
        $module = Garden::module(['offer' => ['key' => 'shade', 'filters' => [
            ['field' => 'spot', 'as' => 'near', 'distances' => [50]],
        ]]]);
        $filter = $module->offer->filters[0] ?? self::fail('It is offered.');
        $chosen = $filter->read('-33.87,151.21,50') ?? self::fail('It is chosen.');
        $this->assertSame(['latitude' => -33.87, 'longitude' => 151.21, 'km' => 50], $chosen->rule->value ?? null);
        $this->assertSame('-33.87,151.21,50', $chosen->said);
    }

    public function test_what_is_pinned_stands_under_no_heading(): void
    {
        $result = self::listed([
            'headings' => ['by' => 'light'], 'pin' => ['plant-2'], 'order' => [['by' => 'title']],
        ], [
            Garden::record(1, ['light' => 'sun'], 'Rose'), Garden::record(2, ['light' => 'sun'], 'Thyme'),
        ]);
        $this->assertSame([2, 1], $result->ids());
        $this->assertSame([['sun' => 1], ['plant:1' => 'sun']], [$result->headings, $result->under]);
    }

    /**
     * @param  array<string, mixed>  $rules
     * @param  list<Record>  $records
     */
    private static function listed(array $rules, array $records, PageSubject $page = new PageSubject): Result
    {
        return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))
            ->run(Garden::module($rules), $records, Garden::context(page: $page));
    }
}
