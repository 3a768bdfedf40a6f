<?php

declare(strict_types=1);

namespace Tests\Support;

/** The application served once more, on the same database, remembering nothing: no whole pages, no listings. */
final class SecondServer
{
    public readonly string $url;

    /** @var resource */
    private $process;

    private readonly string $views;

    /** @param  string  $siteUrl  under which the site's own pages name themselves */
    public function __construct(string $siteUrl)
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $address = stream_socket_get_name($socket, false);
        fclose($socket);
        $this->url = "http://{$address}";
        $root = dirname(__DIR__, 2);
        $this->views = sys_get_temp_dir().'/wellspring-views-'.bin2hex(random_bytes(6));
        mkdir($this->views);
        $process = proc_open(
            [
                PHP_BINARY, '-d', 'opcache.enable_cli=1', '-S', (string) $address, '-t', "{$root}/public",
                "{$root}/public/index.php",
            ],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            $root,
            [
                'APP_URL' => $siteUrl, 'WELLSPRING_PAGE_CACHE' => 'off', 'CACHE_STORE' => 'array',
                'VIEW_COMPILED_PATH' => $this->views,
            ] + array_diff_key(getenv(), ['APP_CONFIG_CACHE' => 1, 'APP_ROUTES_CACHE' => 1]),
        );
        $this->process = $process ?: throw new \RuntimeException('The second server did not start.');
        for ($try = 0; $try < 200 && @file_get_contents("{$this->url}/up") === false; $try++) {
            usleep(50_000);
        }
    }

    public function __destruct()
    {
        proc_terminate($this->process);
        proc_close($this->process);
        array_map(unlink(...), glob("{$this->views}/*") ?: []);
        rmdir($this->views);
    }
}
