<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetOption;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Offering;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\ReferenceFacets;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Text\AnyLanguage;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Snippet;

/** What visitors choose in the address, after rules.md, “Visitors' choices”; the records are worked by hand. */
final class ChoicesTest extends TestCase
{
    private const OFFER = [
        'key' => 'shade',
        'filters' => [
            ['field' => 'light', 'as' => 'checks'],
            ['field' => 'uses', 'as' => 'checks', 'join' => 'all', 'options' => ['hedge', 'pot']],
            ['field' => 'groups', 'as' => 'tree'],
            ['field' => 'price', 'as' => 'range'],
            ['field' => 'sown', 'as' => 'dates', 'name' => 'sowing'],
            ['field' => 'hardy', 'as' => 'yesNo'],
        ],
        'orders' => [
            ['key' => 'cheapest', 'name' => 'Cheapest first', 'order' => [['by' => 'price']]],
            ['key' => 'newest', 'name' => 'As it stands', 'order' => [['by' => 'slug']]],
        ],
        'sizes' => [2, 4, 8],
        'arrangements' => [['key' => 'list', 'name' => 'List', 'arrange' => ['as' => 'list']]],
    ];

    /** @return iterable<string, array{string, list<int>, string}> query, ids, canonical query */
    public static function addresses(): iterable
    {
        yield 'nothing' => ['', [1, 2, 3, 4], ''];
        yield 'any of' => ['shade-light=shade,half-shade', [2, 3], 'shade-light=half-shade,shade'];
        yield 'all of' => ['shade-uses=pot,hedge', [3], 'shade-uses=hedge,pot'];
        yield 'an option that is not offered' => ['shade-uses=cut,pot', [1, 3], 'shade-uses=pot'];
        yield 'a term keeps what is below it' => ['shade-groups=perennials', [1, 2], 'shade-groups=perennials'];
        yield 'both ends of a range belong' => ['shade-price=3..10', [1, 2], 'shade-price=3..10'];
        yield 'what a form’s two boxes give' => ['shade-price=3,10', [1, 2], 'shade-price=3..10'];
        yield 'from' => ['shade-price=10..', [2, 3], 'shade-price=10..'];
        yield 'to, with needless zeros' => ['shade-price=..3.00', [1], 'shade-price=..3'];
        yield 'no range' => ['shade-price=10..3', [1, 2, 3, 4], ''];
        yield 'days' => ['shade-sowing=2026-03-01..2026-03-31', [1, 2], 'shade-sowing=2026-03-01..2026-03-31'];
        yield 'days from' => ['shade-sowing=2026-03-31..', [2, 3], 'shade-sowing=2026-03-31..'];
        yield 'days to' => ['shade-sowing=..2026-03-01', [1], 'shade-sowing=..2026-03-01'];
        yield 'no day' => ['shade-sowing=2026-02-30..', [1, 2, 3, 4], ''];
        yield 'only a stated no' => ['shade-hardy=no', [2], 'shade-hardy=no'];
        yield 'several hold together' => ['shade-hardy=yes&shade-price=..5', [1], 'shade-price=..5&shade-hardy=yes'];
        yield 'sorted' => ['shade-sort=cheapest', [1, 2, 3, 4], 'shade-sort=cheapest'];
        yield 'a page size' => ['shade-size=2', [1, 2], 'shade-size=2'];
        yield 'what is the module’s own says nothing' => ['shade-sort=newest&shade-size=4', [1, 2, 3, 4], ''];
        yield 'what is not offered' => ['shade-size=3&shade-sort=x&shade-colour=red&utm=9', [1, 2, 3, 4], ''];
        yield 'lists, and other than text' => ['shade-light[]=sun&shade-price[a][b]=1..2', [1, 2, 3, 4], ''];
        yield 'control characters' => ['shade-light=%00sun&shade-hardy=%FF', [1, 2, 3, 4], ''];
        yield 'another’s key' => ['other-light=sun', [1, 2, 3, 4], ''];
    }

    /** A kept page is looked up by these alone. */
    public function test_a_module_says_which_parameters_of_an_address_it_reads(): void
    {
        $words = ['field' => 'words', 'test' => 'search', 'value' => ['from' => 'address', 'name' => 'q']];
        $module = Garden::module(['key' => 'plants', 'offer' => self::OFFER, 'where' => ['all' => [$words]]]);
        $this->assertSame([
            'shade-light', 'shade-uses', 'shade-groups', 'shade-price', 'shade-sowing', 'shade-hardy', 'shade-sort',
            'shade-size', 'shade-as', 'plants-page', 'q',
        ], $module->parameterNames());
        $this->assertSame(
            ['plants-page'],
            Garden::module(['key' => 'plants', 'offer' => ['follow' => 'shade']])->parameterNames(),
        );
    }

    /** @param  list<int>  $ids */
    #[DataProvider('addresses')]
    public function test_an_address_is_read_and_written(string $query, array $ids, string $canonical): void
    {
        $context = self::chosen($query);
        $this->assertSame($ids, self::listed($context)->ids());
        $parameters = self::module()->bound($context)->chosen->parameters();
        $this->assertSame($canonical, urldecode(http_build_query($parameters)));
        $again = Garden::context()->with(choices: Choices::fromAddress($parameters));
        $this->assertSame($parameters, self::module()->bound($again)->chosen->parameters());
    }

    public function test_choices_are_a_step_of_the_run_that_pins_pass_and_the_trace_tells_of(): void
    {
        $context = self::chosen('shade-light=sun&shade-as=list');
        $result = self::listed($context, ['pin' => ['plant-3', 'plant-1'], 'leaveOut' => ['plant-4']]);
        $this->assertSame([1], $result->ids(), 'the pinned one that was not chosen does not show');
        $this->assertSame(
            ['source' => 4, 'choices' => 2, 'leaveOut' => 1, 'empty' => 1, 'total' => 1],
            array_column(
                array_map(fn (Step $step): array => [(string) $step->name, $step->left], $result->steps),
                1,
                0,
            ),
        );
        $this->assertSame('list', self::module()->bound($context)->arrange::key());
        $this->assertStringContainsString(
            'Visitors choose: Light by check boxes · Uses by check boxes · Plant groups by a tree · Price by a range · '
                .'Sown by days · Hardy by yes or no · order “Cheapest first”, “As it stands” · 2, 4, 8 at a time · '
                .'layout “List”',
            Sentences::asText(self::module(), Garden::format()),
        );
        $trace = Trace::of(self::module(), self::records()[2], $context, Garden::format());
        $this->assertSame(
            ['Of what the visitor has chosen: not all of these hold: Light is Shade, and the rule keeps Full sun.'],
            $trace->reasons(),
        );
    }

    /**
     * Counts worked by hand over the four plants: in a filter of any its own choices do not narrow, in one of all they
     * do; a tree counts with all below; ranges tell their ends and how values lie.
     */
    public function test_what_can_be_chosen_is_counted_with_all_other_filters_as_they_are(): void
    {
        $facets = self::facets('');
        $this->assertSame(['sun' => 2, 'half-shade' => 1, 'shade' => 1], $facets['light']->counts);
        $this->assertSame(['hedge' => 2, 'pot' => 2], $facets['uses']->counts);
        $this->assertSame(
            ['perennials' => 2, 'ferns' => 1, 'tree-ferns' => 0, 'hostas' => 0, 'shrubs' => 1],
            array_intersect_key($facets['groups']->counts, array_flip(
                ['perennials', 'ferns', 'tree-ferns', 'hostas', 'shrubs'],
            )),
        );
        $this->assertSame(['yes' => 2, 'no' => 1], $facets['hardy']->counts);
        $this->assertSame([3.0, 10.5], [$facets['price']->range?->least, $facets['price']->range?->greatest]);
        $bars = $facets['price']->range->bars ?? [];
        // Each bar is 0.625 wide: 3 lies in the first, 10 and 10.5 in the last two.
        $this->assertSame([1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 2], array_column($bars, 2));
        $this->assertSame([3.0, 3.625], array_slice($bars[0], 0, 2));
        $days = $facets['sowing']->range;
        $this->assertSame(['2026-03-01', '2026-04-01'], [$days?->least, $days?->greatest]);
        $this->assertSame(
            [['2026-02-23', '2026-03-01', 1], ['2026-03-30', '2026-04-05', 2]],
            array_values(array_filter($days->bars ?? [], fn (array $bar): bool => $bar[2] > 0)),
            'by weeks, since they lie more than a month apart',
        );

        $facets = self::facets('shade-light=sun&shade-uses=pot');
        $this->assertSame(['sun' => 1, 'half-shade' => 0, 'shade' => 1], $facets['light']->counts, 'uses narrow it');
        $this->assertSame(['hedge' => 0, 'pot' => 1], $facets['uses']->counts, 'light does, and its own choice');
        $this->assertSame([2, 2], [$facets['light']->left, $facets['uses']->left], 'without each of the two');
        $this->assertSame(['hedge' => 1, 'pot' => 2], self::facets('shade-uses=pot')['uses']->counts, 'both must hold');
        $this->assertSame(1, self::facets('', ['leaveOut' => ['plant-4']])['light']->counts['sun'], 'left out by hand');
        $nothing = self::facets('shade-light=half-shade&shade-uses=pot')['light']->options()[1];
        $this->assertSame([0, true, false], [$nothing->count, $nothing->isChosen, $nothing->isOff()]);
        $prices = (new ReferenceFacets(Garden::format()))->of(self::module(), array_map(
            fn (int $n, float $price): Record => Garden::record($n, ['price' => $price]),
            [1, 2, 3, 4],
            [0, 1.5, 2, 12],
        ), self::chosen(''))[3];
        $this->assertSame([1, 1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 1], array_column($prices->range->bars ?? [], 2));
        $off = array_map(fn (FacetOption $option): bool => $option->isOff(), $facets['light']->options());
        $this->assertSame([false, true, false], $off, 'what is chosen is never off');

        $pinned = self::facets('shade-light=shade', ['pin' => ['plant-3'], 'leaveOut' => ['plant-4'], 'where' => [
            'all' => [['field' => 'price', 'test' => 'lt', 'value' => 5]],
        ]]);
        $this->assertSame(['sun' => 1, 'half-shade' => 0, 'shade' => 1], $pinned['light']->counts, 'pins count');
        $skipped = self::facets('', ['skip' => 3, 'atMost' => 1]);
        $this->assertSame(2, $skipped['light']->counts['sun'], 'neither what is skipped nor how many show counts');
    }

    /** Drawn definitions: the order of parameters means nothing, nor does what is unknown, and the canonical stays. */
    public function test_any_order_of_choosing_says_the_same_and_the_canonical_address_is_its_own(): void
    {
        $seed = random_int(1, 1_000_000);
        for ($n = 0; $n < 150; $n++) {
            $draw = new RandomModules($seed + $n);
            $rules = $draw->rules(20, plants: true);
            $module = (new ModuleReader(Garden::catalogue()))->read($rules);
            $said = $draw->choices($rules) + $draw->choices($rules);
            $chosen = fn (array $parameters): array => $module
                ->bound(Garden::context()->with(choices: Choices::fromAddress($parameters)))
                ->chosen->parameters();
            $canonical = $chosen($said);
            $message = "seed {$seed}, definition {$n}: ".json_encode($said);
            $this->assertSame($canonical, $chosen($canonical), "address, choices, address; {$message}");
            $this->assertSame($canonical, $chosen(array_reverse($said, true)), "in another order; {$message}");
            $this->assertSame($canonical, $chosen(
                ['mine-none' => '1', 'other-sort' => 'other', 'utm' => 'x'] + $said,
            ), "with what is unknown; {$message}");
            $this->assertSame([], array_diff(array_keys($canonical), $module->parameterNames()), $message);
        }
    }

    public function test_a_snippet_shows_where_the_words_stand(): void
    {
        $snippet = new Snippet(SearchTerm::all('fern tul*', null), new AnyLanguage);
        $written = fn (array $pieces): string => implode('', array_map(
            fn (array $piece): string => $piece['isMarked'] ? "[{$piece['text']}]" : $piece['text'],
            $pieces,
        ));
        $this->assertSame('A [Férn], no ferns; [Tulips]!', $written($snippet->marked('A Férn, no ferns; Tulips!')));
        $text = 'one two three four five six seven eight fern ten eleven twelve.';
        $this->assertSame('… eight [fern] ten eleven…', $written($snippet->of($text, 4)));
        $last = new Snippet(SearchTerm::all('twelve', null), new AnyLanguage);
        $this->assertSame('… eleven [twelve].', $written($last->of($text, 2)));
        $this->assertSame('one two three…', $written((new Snippet([], new AnyLanguage))->of($text, 3)));
    }

    public function test_a_rule_letters_and_a_point_can_be_chosen(): void
    {
        $module = Garden::module(['key' => 'plants', 'offer' => ['key' => 'a', 'filters' => [
            ['field' => 'price', 'as' => 'only', 'name' => 'cheap', 'label' => 'Cheap', 'rule' => [
                'field' => 'price', 'test' => 'lt', 'value' => 5,
            ]],
            ['field' => 'nickname', 'as' => 'letters'],
            ['field' => 'spot', 'as' => 'near', 'points' => [
                ['key' => 'pole', 'name' => 'the pole', 'latitude' => 90, 'longitude' => 0],
            ], 'distances' => [100, 112, 10008]],
            ['field' => 'price', 'as' => 'range'],
        ]]]);
        $records = [
            Garden::record(1, ['nickname' => 'Érable', 'price' => 3, 'spot' => ['latitude' => 89, 'longitude' => 40]]),
            Garden::record(2, ['nickname' => 'elder', 'price' => 7, 'spot' => ['latitude' => 0, 'longitude' => 10]]),
            Garden::record(3, ['nickname' => 'Oak', 'spot' => ['address' => 'Mill Lane']]),
        ];
        $run = new ReferenceRun(new Comparator('en-GB'), Garden::format());
        foreach ([
            'a-cheap=yes' => [1], 'a-nickname=e' => [1, 2], 'a-nickname=é' => [1, 2, 3], 'a-nickname=ee' => [1, 2, 3],
            // A degree of latitude is 111.2 km, a quarter of the earth 10,007.5 (radius 6,371.0088 km; by hand).
            'a-spot=pole,100' => [],
            'a-spot=pole,112' => [1], 'a-spot=pole,10008' => [1, 2], 'a-spot=pole,5' => [1, 2, 3],
            'a-spot=0.0,11.0,112' => [2], 'a-spot=91,0,112' => [1, 2, 3], 'a-spot=nowhere,112' => [1, 2, 3],
        ] as $query => $ids) {
            $found = $run->run($module, $records, self::chosen($query))->ids();
            sort($found);
            $this->assertSame($ids, $found, $query);
        }
        $words = fn (string $query): array => array_map(
            fn (ChosenFilter $chosen): string => $chosen->words(Garden::format()),
            $module->bound(self::chosen($query))->chosen->filters,
        );
        $this->assertSame(
            ['Cheap', 'E', "within 112\u{A0}km of the pole", '£3–£12'],
            $words('a-cheap=yes&a-nickname=e&a-spot=pole,112&a-price=3..12'),
        );
        $this->assertSame(['£3.00–£4.50'], $words('a-price=3..4.5'));
        $this->assertSame(['Price up to £12'], $words('a-price=..12'));

        // Greek; Ά is found under Α.
        $greek = fn (string $alphabet): Module => Garden::module(['key' => 'plants', 'offer' => ['filters' => [
            ['field' => 'nickname', 'as' => 'letters', 'alphabet' => $alphabet],
        ]]]);
        $records = [Garden::record(1, ['nickname' => 'Άκανθος']), Garden::record(2, ['nickname' => 'Βασιλικός'])];
        $this->assertSame([1], $run->run($greek('ΑΒΓ'), $records, self::chosen('plants-nickname=α'))->ids());
        $this->assertSame([1, 2], $run->run($greek('ΒΓ'), $records, self::chosen('plants-nickname=α'))->ids());
        foreach (['ΑΆ', 'A-Z', 'abc1', str_repeat('ab', 40)] as $wrong) {
            try {
                $greek($wrong);
                $this->fail("{$wrong} was taken.");
            } catch (Refused $refused) {
                $this->assertSame('offer.filters[0].alphabet', $refused->problems[0]->path);
            }
        }
    }

    public function test_numbers_are_chosen_by_buttons_and_the_last_keeps_those_with_more(): void
    {
        $offer = fn (array $says): array => ['key' => 'a', 'filters' => [
            ['field' => 'height', 'as' => 'numbers', 'label' => 'Beds'] + $says,
        ]];
        $module = fn (array $says): Module => Garden::module(['key' => 'plants', 'offer' => $offer($says)]);
        $records = [
            Garden::record(1, ['height' => 1]), Garden::record(2, ['height' => 2]), Garden::record(3, ['height' => 3]),
            Garden::record(4, ['height' => 7]), Garden::record(5, []), Garden::record(6, ['height' => 2.5]),
        ];
        $run = new ReferenceRun(new Comparator('en-GB'), Garden::format());
        foreach ([
            [[], ['1' => 5, '2' => 4, '3' => 2, '4' => 1], ['1+', '2+', '3+', '4+'], [2, 3, 4, 6]],
            [['match' => 'exactly', 'last' => 3], ['1' => 1, '2' => 1, '3' => 2], ['1', '2', '3+'], [2]],
        ] as [$says, $counts, $labels, $kept]) {
            $found = $run->run($module($says), $records, self::chosen('a-height=2'))->ids();
            sort($found);
            $this->assertSame($kept, $found);
            $facets = (new ReferenceFacets(Garden::format()))->of($module($says), $records, self::chosen(''));
            $options = $facets[0]->options();
            $this->assertSame($labels, array_map(fn (FacetOption $one): string => $one->label, $options));
            $this->assertSame(array_values($counts), array_map(fn (FacetOption $one): int => $one->count, $options));
        }
        foreach (['0', '9', '2.0', '02', 'two'] as $unknown) {
            $this->assertSame([], $module([])->bound(self::chosen("a-height={$unknown}"))->chosen->filters);
        }
        $this->assertSame(
            'Beds 2+',
            $module([])->bound(self::chosen('a-height=2'))->chosen->filters[0]->words(Garden::format()),
        );
    }

    public function test_a_rule_becomes_what_visitors_choose_and_back(): void
    {
        $module = Garden::module(['key' => 'plants', 'where' => ['all' => [
            ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade']],
            ['field' => 'price', 'test' => 'gt', 'value' => 0],
            ['field' => 'price', 'test' => 'between', 'value' => [3, 10]],
            ['field' => 'hardy', 'test' => 'yes'],
            ['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns'], 'below' => true],
        ]], 'page' => ['size' => 8]]);
        foreach ([
            ['field' => 'light', 'as' => 'checks'],
            ['field' => 'price', 'as' => 'only', 'rule' => ['field' => 'price', 'test' => 'gt', 'value' => 0]],
            ['name' => 'price-2', 'field' => 'price', 'as' => 'range'],
            ['field' => 'hardy', 'as' => 'yesNo', 'options' => ['yes']],
            ['field' => 'groups', 'as' => 'tree'],
        ] as $n => $filter) {
            $module = Garden::module(Offering::offered($module, 'where.all[0]') ?? $this->fail());
            $this->assertEquals($filter, $module->toArray()['offer']['filters'][$n] ?? [], (string) $n);
            $this->assertSame($n + 1, count($module->offer->filters ?? []));
        }
        $this->assertNull($module->where);
        foreach (['order' => 'orders', 'page' => 'sizes', 'arrange' => 'arrangements'] as $rule => $key) {
            $module = Garden::module(Offering::offered($module, $rule) ?? $this->fail());
            $this->assertNotSame([], $module->toArray()['offer'][$key]);
            $this->assertNull(Offering::offered($module, $rule), 'once');
        }
        $this->assertSame([8, 16], $module->offer?->sizes);
        $this->assertNull(Offering::offered($module, 'card'));

        $back = Offering::kept($module, 0, self::chosen('plants-light=sun,shade')) ?? $this->fail();
        $this->assertSame(
            ['all' => [['field' => 'light', 'test' => 'anyOf', 'value' => ['sun', 'shade']]]],
            $back['where'],
            'what was chosen is what it keeps',
        );
        $this->assertCount(4, $back['offer']['filters']);
        $this->assertNull(Offering::kept($module, 9, Garden::context()));
    }

    public function test_another_listing_follows_what_is_chosen_where_its_records_have_the_field(): void
    {
        $follower = Garden::module(['source' => ['items' => ['tool']], 'offer' => ['follow' => 'shade']]);
        $this->assertSame('shade', $follower->follows);
        $this->assertSame(['follow' => 'shade'], $follower->toArray()['offer']);
        $this->assertStringContainsString(
            'what they choose for “shade”',
            Sentences::asText($follower, Garden::format()),
        );
        $offer = self::module()->offer ?? $this->fail('There is an offer.');
        $followed = $follower->following($offer, $follower->type()->reachable)
            ->bound(self::chosen('shade-price=3..10&shade-sowing=2026-03-01..&shade-size=2'));
        $this->assertSame(['shade-price' => '3..10'], $followed->chosen->parameters());
        $this->assertSame(['follow' => 'shade'], $followed->toArray()['offer']);
    }

    public function test_what_is_said_above_the_records_names_places_alone(): void
    {
        $numbers = new PageNumbers(21, 6);
        foreach ([
            '{from}–{to} of {total} plants' => '7–12 of 21 plants',
            '{total, plural, one {one plant} other {{from} to {to}, # in all}}' => '7 to 12, 21 in all',
            'page {page} of {pages}' => 'page 2 of 4',
        ] as $pattern => $said) {
            $module = Garden::module(['page' => ['size' => 6, 'count' => $pattern]]);
            $this->assertSame($said, Garden::format()->inWords($module->page->count, $numbers->places(2)));
        }
        foreach (['{what} of {total}', '{total', '{total, plural, one {}}'] as $wrong) {
            try {
                Garden::module(['page' => ['count' => $wrong]]);
                $this->fail("“{$wrong}” was read.");
            } catch (Refused $refused) {
                $this->assertSame('page.count', $refused->problems[0]->path);
            }
        }
    }

    /** A search box has nothing to count beside it, so managers are not asked about counts there. */
    public function test_each_control_says_which_settings_have_an_effect_with_it(): void
    {
        $takes = array_map(fn (FilterControl $one): string => implode(' ', $one->takes()), FilterControls::all());
        $this->assertSame(
            [
                'search' => 'open', 'near' => 'open', 'checks' => 'counts most open', 'tree' => 'counts most open',
                'range' => 'counts open', 'one' => 'counts open',
            ],
            array_replace(
                array_flip(['search', 'near', 'checks', 'tree', 'range', 'one']),
                array_intersect_key($takes, array_flip(['search', 'near', 'checks', 'tree', 'range', 'one'])),
            ),
        );
    }

    public function test_faults_of_an_offer_name_their_place(): void
    {
        try {
            Garden::module(['offer' => [
                'key' => 'Shade!',
                'filters' => [
                    ['field' => 'light', 'as' => 'range'],
                    ['field' => 'colour', 'as' => 'checks'],
                    ['field' => 'light', 'as' => 'one', 'join' => 'all'],
                    ['field' => 'uses', 'as' => 'checks', 'options' => ['flower'], 'name' => 'page'],
                    ['field' => 'hardy', 'as' => 'yesNo', 'size' => 3],
                    ['field' => 'groups', 'as' => 'tree'],
                    ['field' => 'groups', 'as' => 'tabs'],
                ],
                'orders' => [['key' => 'x', 'name' => 'X', 'order' => []]],
                'sizes' => [0, 5, 5],
                'arrangements' => [['key' => 'y', 'name' => 'Y']],
            ]]);
            $this->fail('It was read.');
        } catch (Refused $refused) {
            $this->assertEqualsCanonicalizing([
                'offer.key', 'offer.filters[0].as', 'offer.filters[1].field', 'offer.filters[2].join',
                'offer.filters[3].name', 'offer.filters[3].options', 'offer.filters[4].size', 'offer.filters',
                'offer.orders[0].order', 'offer.sizes[0]', 'offer.sizes', 'offer.arrangements[0].arrange',
            ], array_map(fn (Problem $problem): string => $problem->path, $refused->problems));
        }
        $this->assertSame(self::OFFER['filters'], self::module()->toArray()['offer']['filters']);
    }

    /** @return list<Record> four plants: what each has is said in the tests */
    private static function records(): array
    {
        return [
            Garden::record(1, [
                'light' => 'sun', 'uses' => ['pot'], 'groups' => ['perennials'], 'price' => 3,
                'sown' => '2026-03-01', 'hardy' => true,
            ]),
            Garden::record(2, [
                'light' => 'half-shade', 'uses' => ['hedge'], 'groups' => ['ferns'], 'price' => 10,
                'sown' => '2026-03-31', 'hardy' => false,
            ]),
            Garden::record(3, [
                'light' => 'shade', 'uses' => ['hedge', 'pot'], 'groups' => ['shrubs'], 'price' => 10.5,
                'sown' => '2026-04-01', 'hardy' => true,
            ]),
            Garden::record(4, ['light' => 'sun']),
        ];
    }

    /** @param  array<string, mixed>  $rules */
    private static function module(array $rules = []): Module
    {
        return Garden::module(
            $rules + ['offer' => self::OFFER, 'order' => [['by' => 'slug']], 'page' => ['size' => 4]],
        );
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array<string, Facet> by the filter's name
     */
    private static function facets(string $query, array $rules = []): array
    {
        $facets = (new ReferenceFacets(Garden::format()))
            ->of(self::module($rules), self::records(), self::chosen($query));

        return array_combine(array_map(fn (Facet $facet): string => $facet->filter->name, $facets), $facets);
    }

    /** @param  array<string, mixed>  $rules */
    private static function listed(Context $context, array $rules = []): Result
    {
        return (new ReferenceRun(new Comparator('en-GB'), Garden::format()))
            ->run(self::module($rules), self::records(), $context);
    }

    private static function chosen(string $query): Context
    {
        parse_str($query, $parameters);

        return Garden::context()->with(choices: Choices::fromAddress($parameters));
    }
}
