<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Uploaded pictures. On this machine's disk at hand; any other Flysystem disk beyond.
        'media' => ['driver' => 'local', 'root' => env('MEDIA_ROOT', storage_path('app/media')), 'throw' => true],
        // Nothing is kept here, and nothing of it is served.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
        // Files on their way in, until they are imported.
        'imports' => ['driver' => 'local', 'root' => env('IMPORTS_ROOT', storage_path('app/imports')), 'throw' => true],
        // Files on their way out, until they are fetched, or for a day.
        'exports' => ['driver' => 'local', 'root' => env('EXPORTS_ROOT', storage_path('app/exports')), 'throw' => true],
    ],
];
