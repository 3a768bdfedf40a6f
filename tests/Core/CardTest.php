<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Card\RenderedPart;
use Wellspring\Core\Card\Shows;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Text\Excerpt;
use Wellspring\Core\Wording\Format;

/** What cards show of records, and what is left of them: rules.md, “Empty-value rules” and “Text”. */
final class CardTest extends TestCase
{
    /** The day of Garden::context() is 1 June 2026. */
    private const TODAY = '2026-06-01T12:00:00Z';

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string|null}> part, values, text */
    public static function parts(): iterable
    {
        $price = ['part' => 'price', 'badge' => 'Sale'];
        $sale = ['price' => 6.5, 'sale_price' => 4.8];
        yield 'a price' => [$price, ['price' => 6.5], '£6.50'];
        yield 'a sale price with the former one' => [$price, $sale, '£4.80 £6.50 Sale'];
        yield 'without the former one' => [['former' => false] + $price, $sale, '£4.80 Sale'];
        yield 'both days of a sale belong to it' => [
            $price, $sale + ['sale_from' => '2026-06-01', 'sale_until' => '2026-06-01'], '£4.80 £6.50 Sale',
        ];
        yield 'before the sale' => [$price, $sale + ['sale_from' => '2026-06-02'], '£6.50'];
        yield 'after the sale' => [$price, $sale + ['sale_until' => '2026-05-31'], '£6.50'];
        yield 'what costs more on sale is no bargain' => [$price, ['price' => 4, 'sale_price' => 5], '£5.00'];
        $short = ['decimals' => 'asNeeded'] + $price;
        yield 'a whole price without decimals' => [$short, ['price' => 279000], '£279,000'];
        yield 'decimals where they are needed' => [$short, ['price' => 5, 'sale_price' => 4.5], '£4.50 £5 Sale'];
        yield 'a field likewise' => [
            ['part' => 'field', 'field' => 'price', 'decimals' => 'asNeeded'], ['price' => 12], '£12',
        ];
        yield 'on sale without a price of its own' => [$price, ['sale_price' => 5], '£5.00 Sale'];
        yield 'after such a sale' => [$price, ['sale_price' => 5, 'sale_until' => '2026-05-31'], null];

        $date = ['part' => 'date', 'field' => 'sown'];
        yield 'a date as the site writes it' => [$date, ['sown' => '2026-05-04'], '4 May 2026'];
        yield 'by a skeleton of CLDR' => [['format' => 'EEEEdMMMM'] + $date, ['sown' => '2026-05-04'], 'Monday, 4 May'];
        yield 'by a pattern of ICU' => [['format' => "d.M.yy 'sown'"] + $date, ['sown' => '2026-05-04'], '4.5.26 sown'];
        yield 'in the site’s time zone' => [
            ['part' => 'date', 'field' => 'watered', 'format' => 'yMMMdHHmm'], ['watered' => '2026-05-04T23:30:00Z'],
            '5 May 2026, 00:30',
        ];
        yield 'an instant at midnight stands for its day' => [
            ['part' => 'date', 'field' => 'watered', 'format' => 'yMMMdHHmm'], ['watered' => '2026-05-04T23:00:00Z'],
            '5 May 2026',
        ];
        foreach ([
            '2026-06-01' => 'today', '2026-06-02' => 'tomorrow', '2026-05-31' => 'yesterday',
            '2026-06-04' => 'in 3 days', '2026-06-07' => 'in 6 days', '2026-06-08' => 'in 1 week',
            '2026-06-15' => 'in 2 weeks', '2026-04-01' => '2 months ago',
            '2024-06-01' => '2 years ago',
        ] as $day => $words) {
            yield "{$day}, told on 1 June" => [['format' => 'relative'] + $date, ['sown' => $day], $words];
        }

        $new = ['part' => 'badge', 'text' => 'New', 'when' => [
            'field' => 'publish_at', 'test' => 'inLast', 'value' => ['amount' => 30, 'unit' => 'days'],
        ]];
        yield 'a badge for so many days' => [$new, ['publish_at' => '2026-05-20T00:00:00Z'], 'New'];
        yield 'a badge that is over' => [$new, ['publish_at' => '2026-04-20T00:00:00Z'], null];
        $few = ['part' => 'badge', 'text' => 'Few', 'when' => [
            'field' => 'ratings', 'test' => 'between', 'value' => [1, 5],
        ]];
        yield 'few' => [$few, ['ratings' => 5], 'Few'];
        yield 'none is not few' => [$few, ['ratings' => 0], null];

        yield 'terms, so many' => [
            ['part' => 'terms', 'taxonomy' => 'groups', 'most' => 1], ['groups' => ['ferns', 'shrubs']], 'Ferns',
        ];
        yield 'a rating' => [['part' => 'rating'], ['rating' => 4.55], '4.6'];
        yield 'fixed words' => [['part' => 'text', 'text' => 'from'], [], 'from'];
        yield 'an excerpt of so many characters, cut at a word' => [
            ['part' => 'excerpt', 'characters' => 12], ['text' => '<p>One two <b>three</b> four</p>'], 'One two…',
        ];
        $introduced = ['text' => '<p>One two</p><hr data-introduction /><p>three four</p>'];
        $excerpt = ['part' => 'excerpt', 'words' => 3, 'introduction' => true];
        yield 'an excerpt up to the end of the introduction' => [$excerpt, $introduced, 'One two…'];
        yield 'of a text without such a line, so many words' => [
            $excerpt, ['text' => '<p>1 2 3</p><hr><p>4'], '1 2 3…',
        ];
        yield 'so many words where the introduction is not asked for' => [
            ['introduction' => false] + $excerpt, $introduced, 'One two three…',
        ];
        yield 'an excerpt up to a mark' => [
            ['part' => 'excerpt', 'mark' => '<!--more-->'], ['text' => '<p>One two</p><!--more--><p>three</p>'],
            'One two…',
        ];
    }

    /**
     * @param  array<string, mixed>  $part
     * @param  array<string, mixed>  $values
     */
    #[DataProvider('parts')]
    public function test_what_a_part_shows(array $part, array $values, ?string $text): void
    {
        $shown = Garden::module(['card' => ['lines' => [['parts' => [$part]]]]])->card->parts();
        $context = Garden::context(self::TODAY);
        $this->assertSame(
            $text,
            ($shown['card.lines[0].parts[0]'] ?? null)?->value(
                Garden::record(1, $values, publishAt: $values['publish_at'] ?? null),
                Garden::cards($context),
            )?->text,
        );
    }

    public function test_an_address_of_values_escapes_each_and_lacks_what_the_record_lacks(): void
    {
        $part = ['part' => 'link', 'text' => 'Read on', 'address' => '/plots/{slug}?from={nickname}&h={height}'];
        $link = Garden::module(['card' => ['lines' => [['parts' => [$part]]]]])->card->parts();
        $address = fn (array $values): ?string => ($link['card.lines[0].parts[0]'] ?? null)
            ?->value(Garden::record(1, $values), Garden::cards())?->address;
        $this->assertSame(
            '/plots/plant-1?from=a%26b%3D%3Cc%3E%2F%3F%23&h=2.5',
            $address(['nickname' => 'a&b=<c>/?#', 'height' => 2.5]),
        );
        $this->assertNull($address(['height' => 2.5]));
        foreach ([
            '/x/{colour}', 'javascript:alert(1)', '//elsewhere.example/{slug}', '/x/{author}', '/x/{slug',
        ] as $wrong) {
            try {
                Garden::module(['card' => ['lines' => [['parts' => [['address' => $wrong] + $part]]]]]);
                $this->fail("{$wrong} is refused.");
            } catch (Refused $refused) {
                $this->assertSame(
                    ['card.lines[0].parts[0].address'],
                    array_column($refused->problems, 'path'),
                    $wrong,
                );
            }
        }
    }

    public function test_what_a_badge_asks_is_the_same_for_everyone_on_every_page(): void
    {
        foreach ([['from' => 'viewer'], ['from' => 'page', 'take' => 'person']] as $value) {
            $when = ['any' => [['field' => 'keeper', 'test' => 'anyOf', 'value' => $value]]];
            try {
                Garden::module(['card' => ['lines' => [['parts' => [
                    ['part' => 'badge', 'text' => 'Mine', 'when' => $when],
                ]]]]]);
                $this->fail('It is refused.');
            } catch (Refused $refused) {
                $this->assertSame(['card.lines[0].parts[0].when'], array_column($refused->problems, 'path'));
            }
        }
    }

    /**
     * Lines between `/`, parts between blanks: `h` the height with its rule, `n` the nickname likewise, `t` the title.
     *
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, string}> the rule of the height,
     *   values, what is left
     */
    public static function rules(): iterable
    {
        $use = fn (array $then = []): array => ['do' => 'use', 'field' => 'nickname'] + $then;
        yield 'a value needs no rule' => [['do' => 'leaveOutCard'], ['height' => 5], "t/5\u{A0}cm Lu"];
        yield 'the part goes' => [['do' => 'leaveOut'], [], 't/Lu'];
        yield 'the line goes' => [['do' => 'leaveOutLine'], [], 't'];
        yield 'the card goes' => [['do' => 'leaveOutCard'], [], ''];
        yield 'something is said' => [['do' => 'say', 'text' => 'Ask'], [], 't/said:Ask Lu'];
        yield 'another field shows' => [$use(), ['nickname' => 'Fernie'], 't/other:Fernie Lu'];
        yield 'which is empty, too' => [$use(), [], 't/Lu'];
        yield 'and has a rule of its own' => [$use(['then' => ['do' => 'leaveOutLine']]), [], 't'];
        yield 'and says so' => [$use(['then' => ['do' => 'say', 'text' => '?']]), [], 't/said:? Lu'];
        yield 'or another in turn' => [
            $use(['then' => ['do' => 'use', 'field' => 'light']]), ['light' => 'sun'], 't/other:Full sun Lu',
        ];
        yield 'a picture stands in' => [['do' => 'standIn', 'picture' => 'x.webp'], [], 't/standIn:x.webp Lu'];
        yield 'the space is kept' => [['do' => 'keepSpace'], [], 't/space: Lu'];
    }

    /**
     * @param  array<string, mixed>  $rule
     * @param  array<string, mixed>  $values
     */
    #[DataProvider('rules')]
    public function test_what_is_left_of_a_card(array $rule, array $values, string $left): void
    {
        $module = Garden::module(['card' => ['lines' => [
            ['parts' => [['part' => 'title']]],
            ['parts' => [['part' => 'field', 'field' => 'height', 'empty' => $rule],
                ['part' => 'text', 'text' => 'Lu']]],
        ]]]);
        $record = Garden::record(1, $values, 't');
        $lines = $module->card->lines($record, Garden::cards());
        $this->assertSame($left, implode('/', array_map(fn (array $line): string => implode(' ', array_map(
            fn (RenderedPart $part): string => ($part->shows === Shows::Value ? '' : "{$part->shows->value}:")
                .$part->text,
            $line,
        )), $lines)));
        $this->assertSame($left !== '', $module->card->isListed($record, Garden::cards()));
        $this->assertSame($module->toArray(), Garden::module($module->toArray())->toArray());
    }

    public function test_a_spotlight_takes_what_it_stands_in_and_a_list_may_not(): void
    {
        $rule = fn (string $as, string $do): array => ['arrange' => ['as' => $as], 'card' => ['lines' => [['parts' => [
            ['part' => 'field', 'field' => 'height', 'empty' => ['do' => $do]], ['part' => 'title'],
        ]]]]];
        foreach (['leaveOutModule' => Level::Module, 'leaveOutSlot' => Level::Slot] as $do => $level) {
            $card = Garden::module($rule('spotlight', $do))->card;
            $this->assertSame($level, $card->node(Garden::record(1), Garden::cards())->takes());
            $this->assertTrue($card->isListed(Garden::record(1), Garden::cards()), 'the list keeps it');
        }
        $this->expectException(Refused::class);
        Garden::module($rule('list', 'leaveOutSlot'));
    }

    /** The rule that both runs ask is what the cards themselves do. */
    public function test_no_hole_is_left_and_the_rule_says_what_the_cards_do(): void
    {
        [$parts, $kept] = [0, [true => 0, false => 0]];
        for ($seed = 1; $seed <= 150; $seed++) {
            $draw = new RandomModules($seed);
            $reader = new ItemReader(Garden::plant());
            $records = array_map(
                // What it links to is not among them: LinksTest has that.
                fn (int $n): Record => Garden::record($n, array_diff_key(
                    $reader->fromValues($draw->plant($n))->values(),
                    ['friends' => 0, 'keeper' => 0, 'author' => 0],
                )),
                range(1, 6),
            );
            $rules = $draw->rules(6, plants: true);
            $module = Garden::module(array_diff_key($rules, ['key' => 0, 'name' => 0, 'format' => 0]));
            $context = Garden::context(self::TODAY);
            $cards = Garden::cards($context);
            foreach ($records as $record) {
                foreach ($module->card->lines($record, $cards) as $line) {
                    $this->assertNotSame([], $line, 'no empty line is left');
                    foreach ($line as $part) {
                        $this->assertTrue($part->text !== '' || $part->shows === Shows::Space, 'no empty part is left');
                        $parts++;
                    }
                }
                $isListed = $module->card->isListed($record, $cards);
                $rule = $module->card->presence()->rule;
                $this->assertSame($isListed, self::holds($rule, $record, $context), "seed {$seed}");
                $kept[$isListed]++;
                foreach ($module->card->parts() as $place => $part) {
                    $this->assertSame(
                        $part->value($record, $cards) !== null,
                        self::holds($part->presence()->rule, $record, $context),
                        "seed {$seed}, {$place}",
                    );
                }
            }
        }
        $this->assertGreaterThan(300, $parts);
        $this->assertGreaterThan(20, min($kept), 'of both there were enough');
    }

    private static function holds(Condition|Group|bool $rule, Record $record, Context $context): bool
    {
        return is_bool($rule) ? $rule : $rule->bound($context)->keeps($record, $context);
    }

    /** Unicode Standard Annex #29 by ICU: words end where its dictionaries say, graphemes are never torn. */
    public function test_excerpts_cut_no_word_no_grapheme_and_no_tag(): void
    {
        foreach ([
            ['สวนพฤกษศาสตร์เปิดทุกวัน', 14, 'สวนพฤกษศาสตร์…'],
            ['植物園は毎日開いています', 5, '植物園は…'],
            ['one two', 7, 'one two'], ['one two', 6, 'one…'], ['Donaudampfschifffahrt', 5, 'Donau…'],
            ['👩‍👩‍👧‍👦👩‍👩‍👧‍👦👩‍👩‍👧‍👦', 2, '👩‍👩‍👧‍👦👩‍👩‍👧‍👦…'],
            ["e\u{301}e\u{301}e\u{301}", 2, "e\u{301}e\u{301}…"],
        ] as [$text, $characters, $cut]) {
            $this->assertSame($cut, Excerpt::characters($text, $characters));
        }
        $this->assertSame('All', Excerpt::introduction('<p>All</p><hr data-introduction="">'), 'nothing was cut');
        $this->assertSame('', Excerpt::introduction('<p>1 < 2</p><hr title="data-introduction"><p>3</p>'));
        $html = '<p>Up to <a title="[…]" href="/[…]">here</a> and […] no further</p>';
        $this->assertSame('Up to here and…', Excerpt::upTo($html, '[…]'), 'a mark within a tag is none');
        $this->assertSame('', Excerpt::upTo($html, '%%'));
        $this->assertSame('all of it', Excerpt::upTo('<p>all of it</p>%%', '%%'), 'nothing was cut');
    }

    /** From CLDR's charts, from memory: how a day, a distance and an amount are written in five languages. */
    public function test_dates_and_money_in_five_locales(): void
    {
        foreach ([
            'en-GB' => ['4 May 2026', 'in 3 days', '€1,234.50'],
            'de-DE' => ['4. Mai 2026', 'in 3 Tagen', '1.234,50 €'],
            'fr-FR' => ['4 mai 2026', 'dans 3 jours', '1 234,50 €'],
            'ja-JP' => ['2026年5月4日', '3 日後', '€1,234.50'],
            'he-IL' => ['4 במאי 2026', 'בעוד 3 ימים', '‏1,234.50 ‏€'],
        ] as $locale => [$day, $distance, $amount]) {
            $format = new Format($locale, 'EUR', 'Europe/London');
            $plain = fn (string $text): string => (string) preg_replace('/[\h\x{200E}\x{200F}]+/u', ' ', $text);
            $this->assertSame(
                array_map(trim(...), array_map($plain, [$day, $distance, $amount])),
                array_map(trim(...), array_map($plain, [
                    $format->dateAs('2026-05-04', 'yMMMMd'),
                    $format->relativeDay('2026-05-07', '2026-05-04'),
                    $format->money(1234.5),
                ])),
                $locale,
            );
        }
        $polish = new Format('pl-PL', 'EUR', 'Europe/London');
        $this->assertSame('za 3 dni', $polish->relativeDay('2026-05-07', '2026-05-04'));
        $this->assertSame('5 dni temu', $polish->relativeDay('2026-04-29', '2026-05-04'));
    }

    public function test_a_text_in_full_keeps_its_markup_and_is_there_where_it_has_a_picture_alone(): void
    {
        $module = Garden::module(['card' => ['lines' => [['parts' => [['part' => 'inFull', 'field' => 'text']]]]]]);
        foreach ([
            '<p>One</p><p>Two</p>' => 'One Two', '<p><img src="/media/a.webp"></p>' => '', '<p> </p>' => null,
        ] as $html => $text) {
            $shown = $module->card->lines(Garden::record(1, ['text' => $html]), Garden::cards())[0][0] ?? null;
            $this->assertSame($text === null ? null : $html, $shown?->value?->html);
            $this->assertSame($text, $shown?->text);
        }
    }

    public function test_a_list_of_links_has_a_card_of_its_title_alone(): void
    {
        $module = fn (string $as): Module => Garden::module(['arrange' => ['as' => $as], 'card' => ['lines' => [
            ['parts' => [['part' => 'picture', 'empty' => ['do' => 'keepSpace']]]],
            ['parts' => [
                ['part' => 'price', 'empty' => ['do' => 'leaveOutCard']],
                ['part' => 'title', 'empty' => ['do' => 'say', 'text' => 'Unnamed']],
            ]],
        ]]]);
        $run = new ReferenceRun(new Comparator('en-GB'), Garden::format());
        $records = [Garden::record(1, ['price' => 3]), Garden::record(2)];
        $ids = fn (Module $module): array => $run->run($module, $records, Garden::context())->ids();
        $this->assertSame([1], $ids($module('grid')));
        $this->assertEqualsCanonicalizing([1, 2], $ids($module('links')), 'the price is not shown');
        $read = fn (Module $module): string => Sentences::asText($module, Garden::format());
        $this->assertStringContainsString('price', $read($module('grid')));
        $this->assertStringNotContainsString('price', $read($module('links')));
        $this->assertStringNotContainsString('picture', $read($module('links')));
        $this->assertSame(['card.lines[1].parts[1]'], array_keys($module('links')->shownCard->parts()));
        $this->assertCount(2, $module('links')->toArray()['card']['lines'], 'nothing is lost');
    }
}
