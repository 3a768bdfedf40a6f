<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Support\SlowSite;

/** Measures layout shift (Layout Instability API, W3C) on pages whose pictures come 0.9 seconds late. */
trait MeasuresShift
{
    private ?SlowSite $slow = null;

    private function beginMeasuring(): void
    {
        $this->slow = SlowSite::start();
        $this->devTools('Page.addScriptToEvaluateOnNewDocument', ['source' => <<<'JS'
            if (window.shifts === undefined) {
            window.shifts = [];
            new PerformanceObserver((list) => {
                for (const entry of list.getEntries()) {
                    if (!entry.hadRecentInput) {
                        window.shifts.push([entry.value, ...entry.sources.map((one) => one.node?.className ?? "")]);
                    }
                }
            }).observe({ type: "layout-shift", buffered: true });
            }
            JS]);
    }

    private function endMeasuring(): void
    {
        $this->slow?->stop();
        $this->devTools('Emulation.clearDeviceMetricsOverride');
    }

    private function assertStill(string $path, int $width): void
    {
        $this->devTools('Emulation.setDeviceMetricsOverride', [
            'width' => $width, 'height' => 900, 'deviceScaleFactor' => 1, 'mobile' => false,
        ]);
        $this->browser->get($this->slow?->url.$path);
        $end = microtime(true) + 15;
        do {
            usleep(100_000);
            $isLoaded = $this->browser->executeScript(
                'return [...document.images].every((one) => one.loading === "lazy" && '
                .'one.getBoundingClientRect().top > innerHeight * 2 || one.complete && one.naturalWidth > 0)',
            );
        } while ($isLoaded !== true && microtime(true) < $end);
        // What the last frame has moved is told after the next.
        /** @var list<list<float|string>> $shifts */
        $shifts = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[0];
            const look = (times) => times === 0
                ? setTimeout(() => done(window.shifts))
                : requestAnimationFrame(() => look(times - 1));
            look(5);
            JS);
        // Common practice calls up to 0.1 good; pictures alone may not move anything that can be seen.
        $this->assertLessThanOrEqual(
            0.02,
            array_sum(array_column($shifts, 0)),
            "{$path} at {$width} px: ".json_encode($shifts),
        );
    }
}
