<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\Records;
use App\Listing\Listing;
use App\Models\Item;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Tests\Support\RandomModules;
use Wellspring\Core\Card\Format;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Trace;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Who\Audience;

/** The reference run and the run on PostgreSQL must agree on every input: same ids, same order, same counts after every step. */
final class RunAgreementTest extends TestCase
{
    private const SETS = 6;

    private const RECORDS = 60;

    private const DEFINITIONS = 60;

    public function test_both_runs_agree_on_drawn_definitions_and_records(): void
    {
        $this->plantType();
        $first = (int) (getenv('WELLSPRING_SEED') ?: random_int(1, 1_000_000_000));
        $now = new \DateTimeImmutable('2026-06-01T12:00:00Z');
        $reference = new ReferenceRun(new Comparator(config()->string('site.locale')));
        $listing = app(Listing::class);
        $store = app(ModuleStore::class);
        $met = 0;
        for ($set = 0; $set < self::SETS; $set++) {
            Item::query()->delete();
            $records = [];
            $draw = new RandomModules($first + $set * 1000);
            for ($n = 1; $n <= self::RECORDS; $n++) {
                $records[] = Records::of($this->plant(array_diff_key($draw->plant($n), ['picture' => 0]))->refresh()->load('terms'));
            }
            for ($d = 0; $d < self::DEFINITIONS; $d++) {
                $seed = $first + $set * 1000 + $d + 1;
                $rules = (new RandomModules($seed))->rules(self::RECORDS);
                $said = "WELLSPRING_SEED={$first}, set {$set}, definition {$d}: ".json_encode($rules, JSON_UNESCAPED_UNICODE);
                $module = $store->read($rules);
                $viewer = Audience::cases()[$seed % 3];
                $expected = $reference->run($module, $records, $now, $viewer);
                $pages = $expected->pages;
                $seen = [];
                for ($page = 1; $page <= $pages; $page++) {
                    $expected = $reference->run($module, $records, $now, $viewer, $page);
                    $this->assertEquals($expected, $listing->run($module, $now, $viewer, (string) $page), $said);
                    array_push($seen, ...$expected->ids);
                }
                $this->assertSame($seen, array_values(array_unique($seen)), "no record shows twice; {$said}");
                $this->assertCount($expected->total, $seen, $said);
                $this->assertNeverGrows($expected, $said);
                $this->assertSame($expected->total, $listing->total($module, $now, $viewer), $said);
                $this->assertTraced($module, array_slice($records, $d % (self::RECORDS - 4), 4), $seen, $now, $viewer, $said);
                $met += $expected->total > 0 ? 1 : 0;
            }
        }
        $this->assertGreaterThan(self::SETS * self::DEFINITIONS / 3, $met, 'most drawn definitions show something, or the comparison says little');
    }

    /**
     * Where a record stands is where the run shows it, and one that it does not show has a reason.
     *
     * @param  list<Record>  $records
     * @param  list<int>  $seen  all that the run shows, in order
     */
    private function assertTraced(Module $module, array $records, array $seen, \DateTimeImmutable $now, Audience $viewer, string $said): void
    {
        foreach ($records as $record) {
            $at = array_search($record->id, $seen, true);
            $this->assertSame($at === false ? null : $at + 1, app(Listing::class)->placeOf($module, $record->id, $now, $viewer), "the place of {$record->slug}; {$said}");
            $reasons = Trace::of($module, $record, $now, $viewer, app(Format::class))->reasons;
            if ($at !== false) {
                $this->assertSame([], $reasons, "{$record->slug} shows; {$said}");
            } elseif ($reasons === []) {
                $this->assertTrue($module->skip > 0 || $module->atMost !== null, "{$record->slug} does not show and nothing is said; {$said}");
            }
        }
    }

    private function assertNeverGrows(Result $result, string $said): void
    {
        $before = PHP_INT_MAX;
        foreach ($result->steps as $step) {
            if ($step->name !== 'total') {
                $this->assertLessThanOrEqual($before, $step->left, "{$step->name}; {$said}");
                $before = $step->left;
            }
        }
    }

    /** ICU's collation, by two programs that carry it: PHP's Collator through its sort keys, and PostgreSQL. */
    public function test_text_sorts_alike_in_icu_and_in_the_database(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(20261123));
        $texts = [];
        for ($i = 0; $i < 400; $i++) {
            $text = '';
            for ($c = $random->getInt(1, 5); $c > 0; $c--) {
                $from = [[0x21, 0x7E], [0xA1, 0x17F], [0x300, 0x36F], [0x391, 0x3C9], [0x410, 0x44F], [0x30, 0x39], [0x4E00, 0x4E40], [0x1F330, 0x1F340]][$random->getInt(0, 7)];
                $text .= mb_chr($random->getInt($from[0], $from[1]));
            }
            $texts[] = $text;
        }
        $collator = new \Collator(Comparator::icuLocale('en-GB'));
        $keys = array_map(fn (string $text): string => (string) $collator->getSortKey($text), $texts);
        array_multisort($keys, SORT_STRING, $texts, SORT_STRING);

        $placed = DB::select('select dense_rank() over (order by t collate wellspring_text) as place from unnest(?::text[]) with ordinality as given(t, n) order by n', [\App\Listing\Fragment::arrayLiteral($texts)]);
        $place = 0;
        $before = null;
        foreach ($keys as $i => $key) {
            $place += $key === $before ? 0 : 1;
            $before = $key;
            $this->assertSame($place, (int) $placed[$i]->place, "the place of “{$texts[$i]}”");
        }
    }
}
