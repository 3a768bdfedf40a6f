<?php

declare(strict_types=1);

namespace App\Pages;

use App\Tasks\LongWork;

/**
 * Publishes the site's settings. If the language changes, all items are sorted and indexed again.
 *
 * @implements LongWork<array{published: bool}>
 */
final readonly class PublishSettings implements LongWork
{
    public function __construct(private SiteDefinitionStore $store)
    {
    }

    public static function key(): string
    {
        return 'settings';
    }

    /** @return array{published: bool} false where there are none */
    public function run(array $input, \Closure $progress): array
    {
        $row = $this->store->settings();
        if ($row !== null) {
            $this->store->publish($row);
        }

        return ['published' => $row !== null];
    }
}
