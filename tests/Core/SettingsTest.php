<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Viewer;

/** What holds for the site as a whole. */
final class SettingsTest extends TestCase
{
    private const SETTINGS = [
        'format' => 1, 'name' => 'Quillmoor', 'locale' => 'de-AT', 'timeZone' => 'Europe/Vienna', 'currency' => 'EUR',
        'signUp' => true, 'home' => 'gate', 'homeForMembers' => 'bench', 'notFound' => 'lost',
    ];

    public function test_they_say_how_the_site_writes_and_when_its_week_begins(): void
    {
        $settings = SiteSettingsReader::read(self::SETTINGS);
        // In Vienna it is past midnight. Austria's own word for January is common practice, no source.
        $this->assertSame('2. Aug. 2026', $settings->format()->dayOf('2026-08-01T22:30:00Z'));
        $this->assertSame('Jänner 2026', $settings->format()->month('2026-01-05'));
        $this->assertStringContainsString('€', $settings->format()->money(1));
        $this->assertSame(1, $settings->calendar()->firstWeekday);
        $sunday = SiteSettingsReader::read(['firstWeekday' => 7] + self::SETTINGS)->calendar();
        $this->assertSame(7, $sunday->firstWeekday);
        $american = SiteSettingsReader::read(['locale' => 'en-US'] + self::SETTINGS);
        $this->assertSame(7, $american->calendar()->firstWeekday);
        $this->assertEquals(self::SETTINGS, $settings->toArray());
    }

    public function test_members_have_a_home_page_of_their_own_and_each_page_one_address(): void
    {
        $settings = SiteSettingsReader::read(self::SETTINGS);
        $member = Viewer::member();
        $this->assertSame(['gate'], $settings->homesFor(Viewer::signedOut()));
        $this->assertSame(['bench', 'gate'], $settings->homesFor($member));
        $this->assertSame('/', $settings->addressFor(Viewer::signedOut(), 'gate', '/welcome'));
        $this->assertSame('/welcome', $settings->addressFor($member, 'gate', '/welcome'));
        $this->assertSame('/', $settings->addressFor($member, 'bench', '/members'));
        $this->assertSame(['lost'], $settings->standIns());
    }

    public function test_what_is_wrong_is_told_at_its_place(): void
    {
        try {
            SiteSettingsReader::read([
                'format' => 2, 'name' => ' ', 'locale' => 'xx-YY', 'timeZone' => 'Mars/Olympus', 'currency' => 'XXL',
                'firstWeekday' => 8, 'signUp' => 'yes', 'home' => 3, 'motto' => 'Grow',
            ]);
            $this->fail('They were taken.');
        } catch (Refused $refused) {
            $this->assertEqualsCanonicalizing(
                ['format', 'name', 'locale', 'timeZone', 'currency', 'firstWeekday', 'signUp', 'home', 'motto'],
                array_map(fn (Problem $problem): string => $problem->path, $refused->problems),
            );
        }
    }
}
