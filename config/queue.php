<?php

declare(strict_types=1);

return [
    'connections' => [
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'default',
            // Longer than the longest job may take: what is still being done is given to no second worker.
            'retry_after' => 3_900,
            'after_commit' => false,
        ],
    ],

    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
