<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** A map that can be moved and zoomed, drawn by the application; without scripts, a picture and a link. */
final class MapsTest extends BrowserTestCase
{
    protected function tearDown(): void
    {
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => false]);
        parent::tearDown();
    }

    public function test_a_map_is_zoomed_and_moved_by_button_and_by_keys_and_asks_no_other_site(): void
    {
        $plot = $this->plot();
        $this->browser->executeScript("document.querySelector('[data-map]').scrollIntoView()");
        $this->find('.leaflet-tile-loaded');
        $this->find('.map-place');
        $before = $this->place();
        $this->find('.leaflet-control-zoom-in')->click();
        $this->await('the map does not zoom', fn (): ?bool => $this->browser->executeScript(
            "return document.querySelector('.leaflet-tile-loaded[src*=\"/8/\"]') !== null",
        ) ?: null);
        $this->browser->executeScript("document.querySelector('.map-picture').focus()");
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->await('the map does not move', fn (): ?bool => $this->place() === $before ? null : true);
        $this->assertAccessible('a map');
        $this->assertSame([], $this->browser->executeScript(
            'return performance.getEntriesByType("resource").map((one) => new URL(one.name).origin)'
                .'.filter((one) => one !== location.origin)',
        ));
        $this->assertQuietConsole();
        $this->devTools('Emulation.setScriptExecutionDisabled', ['value' => true]);
        $this->visit($plot);
        $this->find('.map-picture svg .place');
        $this->find('.map figcaption a[href^="geo:"]');
    }

    /** The address of a plot that says where it lies. */
    private function plot(): string
    {
        $this->visit('/plots');
        /** @var list<string> $paths */
        $paths = $this->browser->executeScript(
            "return [...document.querySelectorAll('main a[href^=\"/plots/\"]')].map((one) => one.pathname)",
        );
        foreach (array_unique($paths) as $path) {
            $this->visit($path);
            if ($this->browser->executeScript("return document.querySelector('[data-map]') !== null")) {
                return $path;
            }
        }
        $this->fail('No plot of the demo has a map.');
    }

    /** Where the mark stands in the window. */
    private function place(): string
    {
        return (string) $this->browser->executeScript(
            "const at = document.querySelector('.map-place').getBoundingClientRect(); return at.x + ' ' + at.y",
        );
    }
}
