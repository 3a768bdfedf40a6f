<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Nothing moves on the pages of the demo when pictures come late. Browser\SlotsTest looks at every arrangement. */
final class LayoutShiftTest extends BrowserTestCase
{
    use MeasuresShift;

    protected function tearDown(): void
    {
        $this->endMeasuring();
        parent::tearDown();
    }

    public function test_nothing_moves_when_pictures_come_late(): void
    {
        $this->beginMeasuring();
        foreach (['/', '/shop', '/gallery', '/people', '/journal'] as $path) {
            foreach ([390, 1280] as $width) {
                $this->assertStill($path, $width);
            }
        }
    }
}
