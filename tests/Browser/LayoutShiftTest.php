<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Nothing moves when pictures come late: Chromium's own measure of layout shift (Layout Instability API, W3C). */
final class LayoutShiftTest extends BrowserTestCase
{
    /** Common practice calls up to 0.1 good; here pictures alone may not move anything that can be seen. */
    private const MOST = 0.02;

    /** @var resource|null */
    private mixed $server = null;

    protected function tearDown(): void
    {
        if ($this->server !== null) {
            // Its workers are in its group.
            posix_kill(-proc_get_status($this->server)['pid'], SIGTERM);
            proc_close($this->server);
        }
        $this->devTools('Emulation.clearDeviceMetricsOverride');
        parent::tearDown();
    }

    public function test_nothing_moves_when_pictures_come_late(): void
    {
        $url = $this->slowSite();
        $this->devTools('Page.addScriptToEvaluateOnNewDocument', ['source' => <<<'JS'
            window.shifts = [];
            new PerformanceObserver((list) => {
                for (const entry of list.getEntries()) {
                    if (!entry.hadRecentInput) {
                        window.shifts.push([entry.value, ...entry.sources.map((one) => one.node?.className ?? "")]);
                    }
                }
            }).observe({ type: "layout-shift", buffered: true });
            JS]);
        foreach (['/', '/shop', '/gallery', '/people', '/journal'] as $path) {
            foreach ([390, 1280] as $width) {
                $this->devTools('Emulation.setDeviceMetricsOverride', [
                    'width' => $width, 'height' => 900, 'deviceScaleFactor' => 1, 'mobile' => false,
                ]);
                $this->browser->get($url.$path);
                $end = microtime(true) + 15;
                do {
                    usleep(100_000);
                    $isLoaded = $this->browser->executeScript(
                        'return [...document.images].every((one) => one.loading === "lazy" && '
                        .'one.getBoundingClientRect().top > innerHeight * 2 || one.complete && one.naturalWidth > 0)',
                    );
                } while ($isLoaded !== true && microtime(true) < $end);
                usleep(300_000);
                /** @var list<list<float|string>> $shifts */
                $shifts = $this->browser->executeScript('return window.shifts');
                $this->assertLessThanOrEqual(
                    self::MOST,
                    array_sum(array_column($shifts, 0)),
                    "{$path} at {$width} px: ".json_encode($shifts),
                );
            }
        }
    }

    /** @return string the address of the site with pictures that come late */
    private function slowSite(): string
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $address = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        $this->server = proc_open(
            ['setsid', PHP_BINARY, '-S', $address, dirname(__DIR__).'/Support/slow-pictures.php'],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            ['PHP_CLI_SERVER_WORKERS' => '12'] + getenv(),
        ) ?: throw new \RuntimeException('The server did not start.');
        for ($try = 0; $try < 100 && @file_get_contents("http://{$address}/up") === false; $try++) {
            usleep(50_000);
        }

        return "http://{$address}";
    }
}
