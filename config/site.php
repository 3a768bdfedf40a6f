<?php

declare(strict_types=1);

/*
 * The site itself. Name, locale, time zone, currency and sign-up hold until a manager publishes settings in Manage.
 */
return [
    // `bin/start --empty` leaves the file behind; any other site begins with the demo.
    'name' => env(
        'SITE_NAME',
        is_file(dirname(__DIR__).'/var/begun-empty') ? 'My site' : 'Quillmoor Garden',
    ),
    'locale' => env('SITE_LOCALE', 'en-GB'),
    'time_zone' => env('SITE_TIME_ZONE', 'Europe/London'),
    'currency' => env('SITE_CURRENCY', 'GBP'),

    // Names under which the site is served beside the one of APP_URL, separated by commas.
    'hosts' => env('SITE_HOSTS', ''),
    // How often one address may search in a minute.
    'searches_a_minute' => (int) env('SEARCHES_A_MINUTE', 60),
    // How long one query of a visitor's request may take.
    'visitor_query_seconds' => (int) env('VISITOR_QUERY_SECONDS', 10),
    // Whether visitors may make themselves an account as members.
    'sign_up' => (bool) env('SITE_SIGN_UP', false),
    // Whether whole pages are kept for visitors without a session: on or off. Only with the configuration cached.
    'page_cache' => env('WELLSPRING_PAGE_CACHE', 'on'),
    // For how many days the trail of who did what is kept.
    'audit_days' => (int) env('AUDIT_DAYS', 400),

    'media' => [
        // The largest picture that is taken in, in pixels; one of more than `pixels_in_request` is decoded by the
        // queue's worker.
        'max_pixels' => (int) env('MEDIA_MAX_PIXELS', 40_000_000),
        'pixels_in_request' => (int) env('MEDIA_PIXELS_IN_REQUEST', 2_000_000),
        // What all files may take in all; 0: no limit.
        'quota_mb' => (int) env('MEDIA_QUOTA_MB', 0),
    ],
];
