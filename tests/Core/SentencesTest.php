<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Wording\Sentence;

/**
 * A module is read by people: every test and every order in the words that the bench, the list of modules and the trace
 * say.
 */
final class SentencesTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    #[DataProvider('conditions')]
    public function test_a_condition_reads_so(
        string $reads,
        string $field,
        string $test,
        mixed $value = null,
        array $more = [],
    ): void {
        $condition = ['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value]) + $more;
        $this->assertSame($reads, self::said(['where' => ['all' => [$condition]]], 'where.all[0]')->text());
        $off = self::said(['where' => ['all' => [['off' => true] + $condition]]], 'where.all[0]');
        $this->assertSame([$reads, true, 'Switched off'], [$off->text(), $off->off, $off->lead]);
    }

    public function test_every_test_there_is_has_its_sentence_here(): void
    {
        $said = array_map(
            fn (array $row): string => Garden::catalogue()
                ->askable(Garden::plant())[$row[1]]->family()->value." {$row[2]}",
            self::conditions(),
        );
        foreach (Garden::catalogue()->askable(Garden::plant()) as $field) {
            $missing = array_diff(
                array_map(
                    fn (Test $test): string => "{$field->family()->value} {$test->key()}",
                    Tests::for($field->family()),
                ),
                $said,
            );
            // What is empty or filled, and what long texts and instants share with short ones and days, reads alike for
            // all.
            $this->assertSame(
                [],
                array_filter(
                    $missing,
                    fn (string $one): bool => preg_match('/ (empty|filled)$|^(longText|instant) /D', $one) !== 1,
                ),
                $field->key,
            );
        }
    }

    /** @return list<array{0: string, 1: string, 2: string, 3?: mixed, 4?: array<string, mixed>}> */
    public static function conditions(): array
    {
        return [
            ['Nickname is “Fern”', 'nickname', 'is', 'Fern'],
            ['Nickname is not “Fern”', 'nickname', 'isNot', 'Fern'],
            ['Nickname contains “er”', 'nickname', 'contains', 'er'],
            ['Nickname does not contain “er”', 'nickname', 'lacks', 'er'],
            ['Nickname begins with “Fe”', 'nickname', 'begins', 'Fe'],
            ['Nickname ends with “rn”', 'nickname', 'ends', 'rn'],
            ['Nickname is any of “Fern”, “Moss”', 'nickname', 'anyOf', ['Fern', 'Moss']],
            ['Nickname is not “Fern”', 'nickname', 'noneOf', ['Fern']],
            ['Nickname is empty', 'nickname', 'empty'],
            ['Nickname is filled', 'nickname', 'filled'],
            ['Height is 4 cm', 'height', 'eq', 4],
            ['Height is not 4 cm', 'height', 'ne', 4],
            ['Height is less than 4.5 cm', 'height', 'lt', 4.5],
            ['Height is at most 4 cm', 'height', 'lte', 4],
            ['Height is more than 0 cm', 'height', 'gt', 0],
            ['Height is at least 1 cm', 'height', 'gte', 1],
            ['Height is between 1 and 40 cm', 'height', 'between', [1, 40]],
            ['Height is empty', 'height', 'empty'],
            ['Price is 4', 'price', 'eq', 4],
            ['Price is between 1 and 40.5', 'price', 'between', [1, 40.5]],
            ['Sown is on 1 May 2026', 'sown', 'on', '2026-05-01'],
            ['Sown is before May 2026', 'sown', 'before', '2026-05'],
            ['Sown is after 2026', 'sown', 'after', '2026'],
            ['Sown is between 1 May 2026 and June 2026', 'sown', 'between', ['2026-05-01', '2026-06']],
            ['Sown is in the next week', 'sown', 'inNext', ['amount' => 1, 'unit' => 'weeks']],
            ['Sown was in the last 30 days', 'sown', 'inLast', ['amount' => 30, 'unit' => 'days']],
            ['Sown is this week', 'sown', 'current', 'week'],
            ['Sown was last month', 'sown', 'previous', 'month'],
            ['Sown is next year', 'sown', 'following', 'year'],
            ['Sown is past', 'sown', 'past'],
            ['Sown is to come', 'sown', 'toCome'],
            ['Watered is before 1 May 2026, 19:30', 'watered', 'before', '2026-05-01T18:30:00Z'],
            ['Watered is in the next hour', 'watered', 'inNext', ['amount' => 1, 'unit' => 'hours']],
            ['Watered was in the last 90 minutes', 'watered', 'inLast', ['amount' => 90, 'unit' => 'minutes']],
            ['Watered is today', 'watered', 'current', 'day'],
            [
                "Spot lies within 5\u{A0}km of 50.61, -3.52",
                'spot',
                'within',
                ['latitude' => 50.61, 'longitude' => -3.52, 'km' => 5],
            ],
            ['Hardy is yes', 'hardy', 'yes'],
            ['Hardy is no', 'hardy', 'no'],
            ['Light is Full sun', 'light', 'anyOf', ['sun']],
            ['Light is none of Full sun, Shade', 'light', 'noneOf', ['sun', 'shade']],
            ['Uses is any of Pot, Cut', 'uses', 'anyOf', ['pot', 'cut']],
            ['Uses is all of Pot, Cut', 'uses', 'allOf', ['pot', 'cut']],
            ['Uses is not Pot', 'uses', 'noneOf', ['pot']],
            ['Plant groups is Ferns', 'groups', 'anyOf', ['ferns']],
            ['Plant groups is all of Ferns, Shrubs', 'groups', 'allOf', ['ferns', 'shrubs']],
            ['Plant groups is not Ferns', 'groups', 'noneOf', ['ferns']],
            ['Friends is plant-1', 'friends', 'anyOf', ['plant/plant-1']],
            ['Friends is all of plant-1, plant-2', 'friends', 'allOf', ['plant/plant-1', 'plant/plant-2']],
            ['Friends is not plant-1', 'friends', 'noneOf', ['plant/plant-1']],
            ['Friends is filled', 'friends', 'filled'],
            ['Keeper is ada@example.org', 'keeper', 'anyOf', ['ada@example.org']],
            ['Keeper is not ada@example.org', 'keeper', 'noneOf', ['ada@example.org']],
            ['Keeper is empty', 'keeper', 'empty'],
            ['Friends: Title begins with “Fe”', 'friends.title', 'begins', 'Fe'],
            ['The item itself is not the one being shown', 'id', 'notThisOne'],
            ['The item itself shares, with the one being shown, a term of Plant groups', 'id', 'related', ['groups']],
            ['Its words hold “fern*”', 'words', 'search', 'fern*'],
            ['Views is at least 10', 'views', 'gte', 10],
            [
                'Plant groups is the page’s term or below',
                'groups',
                'anyOf',
                ['from' => 'page', 'take' => 'term'],
                ['below' => true],
            ],
            [
                'Height is at least that of the item being shown',
                'height',
                'gte',
                ['from' => 'page', 'take' => 'item', 'of' => 'height'],
            ],
            ['Watered is on the page’s month', 'watered', 'on', ['from' => 'page', 'take' => 'month']],
            [
                'Keeper is whoever has signed in; all where there is none',
                'keeper',
                'anyOf',
                ['from' => 'viewer'],
                ['whenMissing' => 'keepAll'],
            ],
            ['Friends is the item being shown', 'friends', 'anyOf', ['from' => 'page', 'take' => 'item']],
            [
                'Its words hold what the visitor looks for in Title (4) or Story (1)',
                'words',
                'search',
                ['from' => 'address', 'name' => 'q'],
                ['in' => ['title' => 4, 'story' => 1]],
            ],
        ];
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('orders')]
    public function test_an_order_reads_so(string $up, string $down, string $by, array $more = []): void
    {
        foreach (['up' => $up, 'down' => $down] as $direction => $reads) {
            $this->assertSame(
                $reads,
                self::said(['order' => [['by' => $by, 'direction' => $direction] + $more]], 'order')->text(),
            );
        }
    }

    /** @return list<array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> */
    public static function orders(): array
    {
        return [
            ['Price, lowest first', 'Price, highest first', 'price'],
            ['Title, A–Z', 'Title, Z–A', 'title'],
            ['Publish date, oldest first', 'Publish date, newest first', 'publish_at'],
            ['Sown, earliest first', 'Sown, latest first', 'sown'],
            ['Light, in its own order', 'Light, in its own order, last first', 'light'],
            ['Hardy, no first', 'Hardy, yes first', 'hardy'],
            ['Price asked now, lowest first', 'Price asked now, highest first', 'priceNow'],
            [
                'Views in the last 7 days, fewest first',
                'Views in the last 7 days, most first',
                'popularity',
                ['days' => 7],
            ],
            ['Weighted rating, worst first', 'Weighted rating, best first', 'weightedRating', ['confidence' => 9]],
            ['Shuffled anew each day', 'Shuffled anew each day', 'shuffle'],
            ['Own order, by hand', 'Own order, by hand, last first', 'byHand'],
            [
                'Own order, by hand, as in Ferns',
                'Own order, by hand, as in Ferns, last first',
                'byHand',
                ['of' => 'groups', 'term' => 'ferns'],
            ],
            [
                'Terms shared with the one being shown, fewest first',
                'Terms shared with the one being shown, most first',
                'sharedTerms',
            ],
            ['How well it fits the words, worst first', 'How well it fits the words, best first', 'relevance'],
            ['Views, lowest first', 'Views, highest first', 'views'],
        ];
    }

    /** Whatever is drawn reads as whole sentences, as text and as one line, and nothing of the code shows in them. */
    public function test_any_definition_reads(): void
    {
        $reader = new ModuleReader(Garden::catalogue());
        $seed = random_int(1, 1_000_000);
        for ($n = 0; $n < 150; $n++) {
            $module = $reader->read($rules = (new RandomModules($seed + $n))->rules(20));
            $about = "seed {$seed}, definition {$n}: ".json_encode($rules, JSON_UNESCAPED_UNICODE);
            $text = Sentences::asText($module, Garden::format());
            foreach (Sentences::of($module, Garden::format()) as $sentence) {
                $this->assertNotSame('', trim($sentence->text()), $about);
                $this->assertStringContainsString("{$sentence->lead}: {$sentence->text()}\n", $text, $about);
            }
            $line = Sentences::asLine($module, Garden::format());
            $this->assertMatchesRegularExpression(
                '/^Take .+ · order by .+ · show \d+ at a time .+ · as a (grid|list)/su',
                $line,
                $about,
            );
            $this->assertDoesNotMatchRegularExpression(
                '/\b(anyOf|noneOf|allOf|isNot|toCome|inNext|null|Array)\b|  |\{|\}/',
                $line,
                $about,
            );
        }
    }

    public function test_items_and_modules_are_called_by_their_titles(): void
    {
        $module = (new ModuleReader(Garden::catalogue()))->read([
            'format' => 1, 'key' => 'one', 'name' => 'One', 'source' => ['one' => 'box', 'type' => 'plant'],
            'where' => ['all' => [['field' => 'friends', 'test' => 'anyOf', 'value' => ['plant/yew', 'plant/oak']]]],
            'whenNothing' => ['do' => 'show', 'module' => 'others'],
        ]);
        $text = Sentences::asText($module, Garden::format()->withTitles([
            'plant/box' => 'Common box', 'plant/yew' => 'Yew of the churchyard', 'module/others' => 'What else grows',
        ]));
        $this->assertStringContainsString('Take: the plant “Common box”', $text);
        $this->assertStringContainsString('any of Yew of the churchyard, oak', $text, 'the slug, where none has it');
        $this->assertStringContainsString('show the module “What else grows”', $text);
    }

    /** @param  array<string, mixed>  $rules */
    private static function said(array $rules, string $rule): Sentence
    {
        foreach (Sentences::of(Garden::module($rules), Garden::format()) as $sentence) {
            if ($sentence->rule === $rule) {
                return $sentence;
            }
        }
        self::fail("No sentence says {$rule}.");
    }
}
