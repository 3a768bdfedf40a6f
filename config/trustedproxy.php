<?php

declare(strict_types=1);

/*
 * Proxies before the site whose word about the visitor's address, scheme and host is taken: addresses or networks,
 * separated by commas. Without any, nobody's is.
 */
return [
    'proxies' => env('TRUSTED_PROXIES') === null
        ? null
        : array_map(trim(...), explode(',', (string) env('TRUSTED_PROXIES'))),
];
