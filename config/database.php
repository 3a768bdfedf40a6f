<?php

declare(strict_types=1);

$site = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '5432'),
    'database' => env('DB_DATABASE', 'wellspring'),
    'username' => env('DB_USERNAME', 'wellspring'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'timezone' => 'UTC',
    'search_path' => 'public',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
];

return [
    'default' => 'pgsql',

    'connections' => [
        // A new connection costs more than all the queries of a page, so php-fpm's workers keep theirs.
        // A statement is sent together with its values: preparing it first would take another way there and back.
        'pgsql' => $site + ['options' => [
            PDO::ATTR_PERSISTENT => env('DB_PERSISTENT', true),
            PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
        ]],
        // Tells of long work while its transaction is open; so it must be another connection, not the one that is kept.
        'progress' => $site,
    ],
];
