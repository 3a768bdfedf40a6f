<?php

declare(strict_types=1);

return [
    'default' => 'pgsql',

    'connections' => [
        'pgsql' => [
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
            // A new connection costs more than most queries, so php-fpm keeps its own.
            'options' => PHP_SAPI === 'fpm-fcgi' ? [PDO::ATTR_PERSISTENT => true] : [],
        ],
    ],
];
