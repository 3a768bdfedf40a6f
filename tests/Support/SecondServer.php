<?php

declare(strict_types=1);

namespace Tests\Support;

/** The application served once more, on the same database, by PHP's own web server. */
final class SecondServer
{
    public readonly string $url;

    /** @var resource */
    private $process;

    private readonly string $views;

    /**
     * @param  string  $siteUrl  the site's own address, as its pages name it
     * @param  bool  $keepsPages  true: with a page cache of its own; false: it caches nothing, listings included
     * @param  string  $trustedProxies  as in TRUSTED_PROXIES
     */
    public function __construct(string $siteUrl, bool $keepsPages = false, string $trustedProxies = '')
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $address = stream_socket_get_name($socket, false);
        fclose($socket);
        $this->url = "http://{$address}";
        $root = dirname(__DIR__, 2);
        $this->views = sys_get_temp_dir().'/wellspring-views-'.bin2hex(random_bytes(6));
        mkdir($this->views);
        $environment = [
            'APP_URL' => $siteUrl, 'WELLSPRING_PAGE_CACHE' => $keepsPages ? 'on' : 'off',
            'VIEW_COMPILED_PATH' => $this->views, 'TRUSTED_PROXIES' => $trustedProxies,
            'SESSION_DRIVER' => 'database',
        ] + ($keepsPages ? ['APP_CONFIG_CACHE' => "{$this->views}/config.php"] : ['CACHE_STORE' => 'array'])
            + array_diff_key(getenv(), ['APP_CONFIG_CACHE' => 1, 'APP_ROUTES_CACHE' => 1]);
        if ($keepsPages) {
            $cached = proc_open([PHP_BINARY, 'artisan', 'config:cache', '--quiet'], [], $pipes, $root, $environment);
            is_resource($cached) && proc_close($cached) === 0
                || throw new \RuntimeException('The configuration of the second server was not cached.');
        }
        $process = proc_open(
            [
                PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'apc.enable_cli='.($keepsPages ? '1' : '0'),
                '-S', (string) $address, '-t', "{$root}/public",
                "{$root}/public/index.php",
            ],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            $root,
            $environment,
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
