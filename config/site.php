<?php

declare(strict_types=1);

/*
 * The site itself. The locale decides how text is ordered; it is fixed into the database when that is made.
 */
return [
    'name' => env('SITE_NAME', 'Quillmoor Garden'),
    'locale' => env('SITE_LOCALE', 'en-GB'),
    'time_zone' => env('SITE_TIME_ZONE', 'Europe/London'),
    'currency' => env('SITE_CURRENCY', 'GBP'),
];
