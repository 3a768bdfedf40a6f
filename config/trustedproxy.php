<?php

declare(strict_types=1);

/*
 * Addresses or networks of the proxies before the site, separated by commas. Their headers X-Forwarded-For, -Proto,
 * -Host and -Port are believed, and nobody else's. `*` trusts every address.
 */
$proxies = array_filter(
    array_map(trim(...), explode(',', (string) env('TRUSTED_PROXIES', ''))),
    fn (string $proxy): bool => $proxy !== '',
);

return [
    // An empty list, not null: for null the framework trusts any proxy under some host names.
    'proxies' => array_intersect(['*', '**'], $proxies) === [] ? array_values($proxies) : ['0.0.0.0/0', '::/0'],
];
