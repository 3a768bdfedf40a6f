<?php

declare(strict_types=1);

namespace App\People;

/** The accounts of the demo site, whose password is published. */
final class DemoAccounts
{
    public const DOMAIN = 'quillmoor.example';

    public const PASSWORD = 'water-the-ferns';

    /** True if the published password opens this site: only a site on the loopback interface. */
    public static function openThisSite(): bool
    {
        return in_array(
            parse_url(config()->string('app.url'), PHP_URL_HOST),
            ['127.0.0.1', 'localhost', '[::1]'],
            true,
        );
    }
}
