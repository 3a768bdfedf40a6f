<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/** The settings of the page cache, read from the cached configuration before the framework is loaded. */
final readonly class PageCacheSettings
{
    /**
     * @param  string  $release  changes with each deployment, which makes all older entries invalid
     * @param  list<string>  $trustedProxies  addresses or networks
     */
    private function __construct(
        public string $release,
        public string $dsn,
        public string $user,
        public string $password,
        public string $sessionCookie,
        public array $trustedProxies,
    ) {
    }

    /**
     * @param  string  $file  of the cached configuration
     * @param  array<mixed>  $server  `$_SERVER`; WELLSPRING_PAGE_CACHE overrides the configuration
     * @return self|null null where whole pages are not kept: switched off, no cached configuration, or no APCu
     */
    public static function read(string $file, array $server): ?self
    {
        if (! function_exists('apcu_enabled') || ! apcu_enabled() || ! is_file($file)) {
            return null;
        }
        $config = require $file;
        $site = $config['site'];
        if (($server['WELLSPRING_PAGE_CACHE'] ?? $site['page_cache']) === 'off') {
            return null;
        }
        $database = $config['database']['connections']['pgsql'];

        return new self(
            hash('xxh64', $file.filemtime($file)),
            "pgsql:host={$database['host']};port={$database['port']};dbname={$database['database']};"
                ."sslmode={$database['sslmode']};connect_timeout=2",
            $database['username'],
            $database['password'],
            $config['session']['cookie'],
            $config['trustedproxy']['proxies'],
        );
    }
}
