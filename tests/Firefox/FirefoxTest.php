<?php

declare(strict_types=1);

namespace Tests\Firefox;

use PHPUnit\Framework\TestCase;
use Tests\Support\Artisan;
use Tests\Support\SlotPages;
use Tests\Support\SlowSite;

/** What Browser\SlotsTest and Browser\LayoutShiftTest measure in Chromium, in Firefox. */
final class FirefoxTest extends TestCase
{
    /** As in Browser\LayoutShiftTest. */
    private const MOST_SHIFT = 0.02;

    public function test_pages_are_laid_out_in_firefox_as_well_and_stand_still(): void
    {
        $site = (string) getenv('SITE_URL');
        foreach (SlotPages::all() as ['module' => $module, 'page' => $page]) {
            Artisan::apply('modules', $module);
            Artisan::apply('pages', $page);
        }
        $slow = SlowSite::start();
        try {
            $found = $this->measure([
                'slots' => array_map(fn (string $path): string => $site.$path, SlotPages::paths()),
                'still' => array_map(
                    fn (string $path): string => $slow->url.$path,
                    ['/', '/shop', '/gallery', '/people', '/journal', ...SlotPages::paths()],
                ),
                'windows' => SlotPages::WINDOWS,
                'script' => SlotPages::script(),
            ]);
        } finally {
            $slow->stop();
        }
        $this->assertCount(count(SlotPages::all()) * count(SlotPages::WINDOWS) * 2, $found['slots']);
        $this->assertSame([], array_filter($found['slots']));
        $this->assertCount(2 * (5 + count(SlotPages::all())), $found['still']);
        foreach ($found['still'] as $page => $shift) {
            $this->assertLessThanOrEqual(self::MOST_SHIFT, $shift, $page);
        }
    }

    /**
     * @param  array<string, mixed>  $wanted
     * @return array{slots: array<string, list<string>>, still: array<string, float>}
     */
    private function measure(array $wanted): array
    {
        $process = proc_open(
            ['node', __DIR__.'/measure.mjs'],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            dirname(__DIR__, 2),
        );
        $this->assertIsResource($process);
        fwrite($pipes[0], json_encode($wanted, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $found = json_decode((string) stream_get_contents($pipes[1]), true);
        $this->assertIsArray($found, (string) stream_get_contents($pipes[2]));
        proc_close($process);
        /** @var array{slots: array<string, list<string>>, still: array<string, float>} $found */

        return $found;
    }
}
