<?php

declare(strict_types=1);

namespace App\Benchmark;

/** A bounded number of requests to this machine, four at a time, as browsers send them. */
final readonly class LoadTest
{
    private const AT_ONCE = 4;

    /**
     * @param  float  $perSecond  answered requests
     * @param  float  $median  milliseconds per request
     */
    private function __construct(public float $perSecond, public float $median)
    {
    }

    /** @param  list<string>  $headers  for every request */
    public static function of(string $url, int $requests, array $headers = []): self
    {
        if (! in_array(parse_url($url, PHP_URL_HOST), ['127.0.0.1', 'localhost'], true)) {
            throw new \InvalidArgumentException("Load goes to this machine only, not to {$url}.");
        }
        self::send($url, self::AT_ONCE * 2, $headers);
        $from = hrtime(true);
        $times = self::send($url, $requests, $headers);
        $seconds = (hrtime(true) - $from) / 1e9;
        sort($times);

        return new self($requests / $seconds, $times[intdiv($requests, 2)] / 1000);
    }

    /**
     * Uses as many connections as parallel requests, and keeps them open.
     *
     * @param  list<string>  $headers
     * @return list<int> microseconds of each
     */
    private static function send(string $url, int $requests, array $headers): array
    {
        $times = [];
        $all = curl_multi_init();
        $open = 0;
        for ($left = $requests; $open < min(self::AT_ONCE, $requests); $open++, $left--) {
            $one = curl_init($url) ?: throw new \RuntimeException('curl did not start.');
            curl_setopt_array($one, [
                CURLOPT_RETURNTRANSFER => true, CURLOPT_FAILONERROR => true, CURLOPT_TIMEOUT => 30,
                CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip', ...$headers],
            ]);
            curl_multi_add_handle($all, $one);
        }
        while ($open > 0) {
            curl_multi_exec($all, $running);
            while (($done = curl_multi_info_read($all)) !== false) {
                if ($done['result'] !== CURLE_OK) {
                    throw new \RuntimeException("{$url} did not answer: ".curl_strerror($done['result']));
                }
                $times[] = (int) curl_getinfo($done['handle'], CURLINFO_TOTAL_TIME_T);
                curl_multi_remove_handle($all, $done['handle']);
                if ($left > 0) {
                    curl_multi_add_handle($all, $done['handle']);
                    $left--;
                } else {
                    $open--;
                }
            }
            if ($running > 0) {
                curl_multi_select($all, 0.05);
            }
        }
        curl_multi_close($all);

        return $times;
    }
}
