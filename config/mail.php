<?php

declare(strict_types=1);

use App\Mail\OutboxTransport;

/*
 * How mail is sent: by the framework's own mailers (smtp, sendmail …), or, until one is set, into the outbox, which
 * `php artisan wellspring:outbox` reads. Letters never go to a log: they hold links that open accounts.
 */
return [
    'default' => env('MAIL_MAILER', OutboxTransport::NAME),
    'mailers' => [OutboxTransport::NAME => ['transport' => OutboxTransport::NAME]],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'site@localhost'), 'name' => env('MAIL_FROM_NAME', 'Wellspring')],
];
