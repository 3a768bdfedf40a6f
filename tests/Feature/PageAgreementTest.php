<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Group;
use Illuminate\Support\Facades\Artisan;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Garden;

/**
 * What shows of drawn pages and frames, by the command that makes them as visitors get them, beside what rules.md,
 * “Pages” and “Places”, gives when it is worked out over the plain definition.
 */
final class PageAgreementTest extends TestCase
{
    private const PAGES = 35;

    private const NOW = '2026-06-01T12:00:00Z';

    private const VIEWERS = ['signed-out', 'members', 'members,group:friends'];

    /** What a module without records, and a picture that is not there, takes with it; null: it says something. */
    private const TAKES = ['block' => 'leaveOutModule', 'slot' => 'leaveOutSlot', 'band' => 'leaveOutBand'];

    private Randomizer $draw;

    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        Group::query()->create(['key' => 'friends', 'name' => 'Friends']);
        $this->plant(['title' => 'Fern', 'publish_at' => '2026-01-01']);
        $this->plant(['title' => 'Secret', 'publish_at' => '2026-01-01', 'audience' => ['members']]);
        $home = $this->pageAt('/');
        foreach (['some' => 'fern', 'hidden' => 'secret', 'none' => 'nothing'] as $name => $slug) {
            foreach (self::TAKES + ['says' => 'say'] as $level => $do) {
                $this->placeOn($home, Garden::module([
                    'key' => "{$name}-{$level}",
                    'where' => ['all' => [['field' => 'slug', 'test' => 'is', 'value' => $slug]]],
                    'whenNothing' => $do === 'say' ? ['do' => 'say', 'text' => 'Nothing.'] : ['do' => $do],
                ]));
            }
        }
    }

    public function test_what_is_left_of_a_page_is_what_the_rules_leave(): void
    {
        $seed = (int) (getenv('WELLSPRING_SEED') ?: random_int(1, 1_000_000_000));
        $this->draw = new Randomizer(new Mt19937($seed));
        $shown = $gone = 0;
        for ($n = 0; $n < self::PAGES; $n++) {
            $bands = array_map(fn (int $b): array => $this->band($b), range(0, $this->draw->getInt(0, 3)));
            $this->publishPage([
                'key' => 'drawn', 'address' => '/drawn', 'title' => 'Drawn', 'bands' => $bands,
            ]);
            $frame = [];
            foreach (['header', 'side', 'footer'] as $slot) {
                for ($i = $this->draw->getInt(0, 2); $i > 0; $i--) {
                    $frame[$slot][] = $this->block() + ['on' => $this->place()];
                }
            }
            $this->publishFrame($frame);
            foreach (self::VIEWERS as $as) {
                $said = "WELLSPRING_SEED={$seed}, page {$n}, as {$as}: "
                    .json_encode(['bands' => $bands, 'frame' => $frame]);
                $expected = array_values(array_filter(array_map(
                    fn (array $band): ?array => $this->left($band, $as),
                    $bands,
                )));
                Artisan::call('wellspring:page', [
                    'address' => '/drawn', '--as' => $as, '--on' => self::NOW, '--json' => true,
                ]);
                $found = json_decode(Artisan::output(), true, 64, JSON_THROW_ON_ERROR);
                $this->assertSame($expected, array_map(fn (array $band): array => [
                    'key' => $band['key'],
                    'slots' => array_map(fn (array $slot): array => [
                        'share' => $slot['share'],
                        'blocks' => array_map(self::nameOf(...), $slot['blocks']),
                    ], $band['slots']),
                ], $found['bands']), $said);
                $this->assertSame(
                    array_filter(array_map(fn (array $entries): array => $this->around($entries, $as), $frame)),
                    array_map(fn (array $blocks): array => array_map(self::nameOf(...), $blocks), $found['frame']),
                    $said,
                );
                $shown += count($expected);
                $gone += count($bands) - count($expected);
            }
        }
        $this->assertGreaterThan(self::PAGES, $shown, 'many bands are left');
        $this->assertGreaterThan(self::PAGES / 4, $gone, 'many bands are gone');
    }

    /** @return array<string, mixed> */
    private function band(int $number): array
    {
        $shares = [[12], [6, 6], [8, 4], [5, 4, 3], [3, 3, 3, 3], [1, 11]][$this->draw->getInt(0, 5)];

        return ['key' => "band-{$number}", 'slots' => array_map(fn (int $share): array => [
            'share' => $share,
            'blocks' => array_map(fn (): array => $this->block(), range(1, $this->draw->getInt(1, 3))),
        ] + $this->schedule(), $shares)] + $this->schedule();
    }

    /** @return array<string, mixed> */
    private function block(): array
    {
        $level = ['block', 'slot', 'band', 'says'][$this->draw->getInt(0, 3)];

        return match ($this->draw->getInt(0, 6)) {
            0 => ['block' => 'heading', 'text' => 'Words'],
            1 => ['block' => 'space'],
            2 => ['block' => 'picture', 'picture' => 'gone.webp'],
            3 => ['block' => 'pagePicture', 'empty' => $level === 'says'
                ? ['do' => 'say', 'text' => 'None.']
                : ['do' => ['block' => 'leaveOut'][$level] ?? self::TAKES[$level]]],
            4 => ['module' => "hidden-{$level}"],
            5 => ['module' => "none-{$level}"],
            default => ['module' => "some-{$level}"],
        } + $this->schedule();
    }

    /** @return array<string, mixed> mostly for everyone and always */
    private function schedule(): array
    {
        $audience = [['signed-out'], ['members'], ['group:friends'], ['signed-out', 'group:friends']];
        $instants = ['2026-05-01T00:00:00Z', self::NOW, '2026-07-01T00:00:00Z'];

        return match ($this->draw->getInt(0, 7)) {
            0, 1 => ['audience' => $audience[$this->draw->getInt(0, 3)]],
            2 => ['from' => $instants[$this->draw->getInt(0, 2)]],
            3 => ['until' => $instants[$this->draw->getInt(0, 2)]],
            default => [],
        };
    }

    private function place(): mixed
    {
        $names = [['/drawn'], ['/other'], ['/drawn/*'], ['/other', '/drawn']][$this->draw->getInt(0, 3)];

        return ['everywhere', 'nowhere', ['pages' => $names], ['except' => $names]][$this->draw->getInt(0, 3)];
    }

    /**
     * What is left of a band, worked out by the rules.
     *
     * @param  array<string, mixed>  $band
     * @return array{key: mixed, slots: list<array{share: string, blocks: list<string>}>}|null
     */
    private function left(array $band, string $as): ?array
    {
        if (! self::admits($band, $as)) {
            return null;
        }
        $slots = [];
        foreach ($band['slots'] as $slot) {
            $blocks = array_filter($slot['blocks'], fn (array $block): bool => self::admits($slot, $as)
                && self::admits($block, $as));
            $takes = array_map(fn (array $block): ?string => self::takes($block, $as), $blocks);
            if (in_array('band', $takes, true)) {
                return null;
            }
            $left = array_filter($blocks, fn (int $i): bool => $takes[$i] === null, ARRAY_FILTER_USE_KEY);
            if (! in_array('slot', $takes, true) && $left !== []) {
                $slots[] = [$slot['share'], array_values(array_map(self::nameOf(...), $left))];
            }
        }
        $all = array_sum(array_column($slots, 0));

        return $slots === [] ? null : ['key' => $band['key'], 'slots' => array_map(fn (array $slot): array => [
            'share' => self::fraction($slot[0] * 12, (int) $all),
            'blocks' => $slot[1],
        ], $slots)];
    }

    /**
     * @param  list<array<string, mixed>>  $entries  of a slot of the frame
     * @return list<string> the names of those that are left of it
     */
    private function around(array $entries, string $as): array
    {
        $there = array_filter($entries, fn (array $entry): bool => $this->isAround($entry, $as));
        $takes = array_map(fn (array $entry): ?string => self::takes($entry, $as), $there);
        $left = array_filter($there, fn (int $i): bool => $takes[$i] === null, ARRAY_FILTER_USE_KEY);

        return array_intersect(['slot', 'band'], $takes) === []
            ? array_values(array_map(self::nameOf(...), $left))
            : [];
    }

    /** @param  array<string, mixed>  $entry */
    private function isAround(array $entry, string $as): bool
    {
        $names = $entry['on']['pages'] ?? $entry['on']['except'] ?? [];
        $isNamed = array_intersect($names, ['/drawn', '/drawn/*']) !== [];
        $isThere = match (true) {
            is_string($entry['on']) => $entry['on'] === 'everywhere',
            isset($entry['on']['pages']) => $isNamed,
            default => ! $isNamed,
        };

        return $isThere && self::admits($entry, $as);
    }

    /** @param  array<string, mixed>  $part */
    private static function admits(array $part, string $as): bool
    {
        $audience = $part['audience'] ?? ['everyone'];
        $isFor = array_intersect($audience, ['everyone', ...explode(',', $as)]) !== [];

        return $isFor && ($part['from'] ?? '') <= self::NOW && self::NOW < ($part['until'] ?? '9');
    }

    /**
     * @param  array<string, mixed>  $block
     * @return string|null what goes with a block that has nothing to show: block, slot or band; null where it shows
     */
    private static function takes(array $block, string $as): ?string
    {
        [$name, $level] = explode('-', $block['module'] ?? '-');
        $isEmpty = match (true) {
            $name === 'some', in_array($block['block'] ?? '', ['heading', 'space'], true) => false,
            $name === 'hidden' => $as === 'signed-out',
            default => true,
        };
        $do = $block['empty']['do'] ?? self::TAKES[$level] ?? ($level === 'says' ? 'say' : 'leaveOut');

        return match (true) {
            ! $isEmpty, $do === 'say' => null,
            default => array_search($do, self::TAKES, true) ?: 'block',
        };
    }

    /** @param  array<string, mixed>  $block */
    private static function nameOf(array $block): string
    {
        return $block['module'] ?? $block['block'];
    }

    private static function fraction(int $a, int $b): string
    {
        for ($by = $b; $by > 1; $by--) {
            [$a, $b] = $a % $by === 0 && $b % $by === 0 ? [intdiv($a, $by), intdiv($b, $by)] : [$a, $b];
        }

        return $b === 1 ? (string) $a : "{$a}/{$b}";
    }
}
