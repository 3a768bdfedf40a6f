<?php

declare(strict_types=1);

use App\Http\MasksSecrets;
use App\Http\RequestFacts;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;

return [
    'default' => env('LOG_CHANNEL', 'lines'),

    'channels' => [
        // An object of JSON a line, to the standard error stream: whatever serves the site keeps it.
        'lines' => [
            'driver' => 'monolog',
            'handler' => StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
            'formatter' => JsonFormatter::class,
            'formatter_with' => ['includeStacktraces' => true],
            'processors' => [RequestFacts::class, MasksSecrets::class],
        ],
    ],
];
