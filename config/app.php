<?php

declare(strict_types=1);

/*
 * APP_URL is the public address of the site, such as https://garden.example. Canonical addresses, the sitemap, feeds
 * and links in mails begin with it. While it is not set, the address that bin/start serves is used.
 */
$served = @file_get_contents(dirname(__DIR__).'/var/run/served-address');

return [
    'url' => env('APP_URL') ?: (is_string($served) && trim($served) !== '' ? trim($served) : 'http://127.0.0.1:8080'),
];
