<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Explain\Suggestions;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Text\AnyLanguage;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Audience;

/**
 * What the bench offers to change so that a record shows, or no longer does, does that, whatever the definition and the
 * record.
 */
final class SuggestionsTest extends TestCase
{
    private const RECORDS = 25;

    private const DEFINITIONS = 24;

    private const MOVABLE = [
        ['field' => 'light', 'test' => 'anyOf', 'value' => ['sun']],
        ['field' => 'groups', 'test' => 'noneOf', 'value' => ['ferns', 'hostas']],
        ['field' => 'price', 'test' => 'lt', 'value' => 2],
        ['field' => 'height', 'test' => 'between', 'value' => [2, 3]],
        ['field' => 'rating', 'test' => 'gte', 'value' => 5],
        ['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true],
    ];

    public function test_a_limit_that_the_page_gives_is_not_moved(): void
    {
        $record = Garden::record(1, ['height' => 9]);
        $context = Garden::context()->with(new PageSubject(Garden::record(2, ['height' => 5])));
        $ways = function (mixed $value) use ($record, $context): array {
            $module = Garden::module(['where' => ['all' => [
                ['field' => 'height', 'test' => 'lt', 'value' => $value],
            ]]]);
            $trace = Trace::of($module, $record, $context, Garden::format());

            return array_column(Suggestions::of($module, $record, $trace, null, $context), 'words');
        };
        $others = ['Switch off the rule on Height', 'Pin it to the top, past the rules'];
        $this->assertSame(['Move the limit to 10', ...$others], $ways(5));
        $this->assertSame($others, $ways(['from' => 'page', 'take' => 'item', 'of' => 'height']));
    }

    public function test_every_way_does_what_it_says(): void
    {
        $first = (int) (getenv('WELLSPRING_SEED') ?: random_int(1, 1_000_000_000));
        $reader = new ModuleReader(Garden::catalogue());
        $run = new ReferenceRun(new Comparator('en-GB'), Garden::format());
        $format = Garden::format();
        $records = self::records($first);
        $tried = [];
        for ($d = 0; $d < self::DEFINITIONS; $d++) {
            $draw = new RandomModules($first + $d);
            $rules = $draw->rules(self::RECORDS, plants: true);
            // One rule whose limit can be moved or widened stands first, beside whatever is drawn.
            $rules['where'] = [
                'all' => [self::MOVABLE[$d % count(self::MOVABLE)], ...array_slice($rules['where']['all'] ?? [], 0, 2)],
            ];
            if ($d % 10 < 2) {
                // Records that pass and are yet not among those shown: few draws alone have any.
                $rules['where']['all'] = [self::MOVABLE[$d % count(self::MOVABLE)]];
                $rules = ['atMost' => 1, 'skip' => $d % 10] + array_diff_key($rules, ['leaveOut' => 0, 'offer' => 0]);
            }
            // All are looked at on one page, whatever its size.
            unset($rules['offer']['sizes']);
            $module = $reader->read($rules);
            $calendar = new Calendar(new \DateTimeZone('Europe/London'));
            $context = $draw->context($records, $calendar, new AnyLanguage, $rules);
            $all = fn (array $definition): array => $run->run(
                $reader->read(
                    ['skip' => 0, 'page' => ['size' => 200]] + array_diff_key(
                        $definition,
                        ['atMost' => 0, 'headings' => 0],
                    ),
                ),
                $records,
                $context,
            )->ids();
            $shown = fn (Module $shown): array => array_slice(
                $all($shown->toArray()),
                $shown->skip,
                $shown->displayLimit(),
            );
            $listed = array_flip($all($module->toArray()));
            foreach ($records as $record) {
                $shows = in_array($record->id, $shown($module), true);
                $standing = isset($listed[$record->id]) ? $listed[$record->id] + 1 : null;
                $this->assertSame($shows, $module->place($standing) !== null);
                $trace = Trace::of($module, $record, $context, $format);
                $failed = self::failed($trace);
                foreach (Suggestions::of($module, $record, $trace, $standing, $context) as $way) {
                    $said = "WELLSPRING_SEED={$first}, definition {$d}, {$record->slug}, “{$way['words']}”: "
                        .json_encode($rules, JSON_UNESCAPED_UNICODE);
                    $changed = $reader->read($way['definition']);
                    $after = Trace::of($changed, $record, $context, $format);
                    $kind = explode(' ', $way['words'])[0];
                    $tried[$kind] = ($tried[$kind] ?? 0) + 1;
                    match ($kind) {
                        'Leave' => $this->assertSame(
                            $shows ? ['leaveOut'] : array_values(array_diff($failed, ['leaveOut'])),
                            self::failed($after),
                            $said,
                        ),
                        'Unpin' => $this->assertNotContains($record->slug, $changed->pin, $said),
                        'Pin' => $this->assertTrue(
                            $after->passes()
                                && $changed->pin[count($changed->pin) - 1] === $record->slug
                                && in_array($record->id, $shown($changed), true),
                            $said,
                        ),
                        'Show', 'Skip' => $this->assertContains($record->id, $shown($changed), $said),
                        default => $this->assertCount(
                            count($failed) - 1,
                            self::failed($after),
                            "one thing fewer keeps it out; {$said}",
                        ),
                    };
                }
            }
        }
        foreach (['Let', 'Switch', 'Pin', 'Leave', 'Also', 'Move', 'Widen', 'No', 'Show', 'Skip'] as $kind) {
            $this->assertGreaterThan(0, $tried[$kind] ?? 0, "“{$kind} …” was offered and tried at least once");
        }
    }

    /** @return list<string> the steps that keep the record out */
    private static function failed(Trace $trace): array
    {
        return array_values(
            array_map(
                fn ($step): string => (string) $step->step,
                array_filter($trace->steps, fn ($step): bool => $step->passed === false),
            ),
        );
    }

    /** @return list<Record> plants without links, each such that visitors may see it */
    private static function records(int $seed): array
    {
        $draw = new RandomModules($seed);
        $records = [];
        for ($n = 1; $n <= self::RECORDS; $n++) {
            $plant = array_diff_key(
                $draw->plant($n),
                [
                    'friends' => 0,
                    'keeper' => 0,
                    'author' => 0,
                    'audience' => 0,
                    'status' => 0,
                    'publish_at' => 0,
                    'expire_at' => 0,
                    'slug' => 0,
                ],
            );
            $records[] = new Record(
                $n,
                'plant',
                "plant-{$n}",
                (string) $plant['title'],
                Status::Published,
                '2020-01-01T00:00:00Z',
                null,
                Audience::everyone(),
                $plant,
            );
        }

        return $records;
    }
}
