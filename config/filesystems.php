<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Uploaded pictures. On this machine's disk at hand; any other Flysystem disk beyond.
        'media' => ['driver' => 'local', 'root' => env('MEDIA_ROOT', storage_path('app/media')), 'throw' => true],
        // Files on their way in, until they are imported.
        'imports' => ['driver' => 'local', 'root' => env('IMPORTS_ROOT', storage_path('app/imports')), 'throw' => true],
    ],
];
