<?php

declare(strict_types=1);

namespace Tests\Plugins\Output;

use App\Site\Listings\VisitorListing;
use App\Site\Output\Output;

/** An output: the titles, a line each. */
final class Titles implements Output
{
    public static function key(): string
    {
        return 'titles';
    }

    public static function mediaType(): string
    {
        return 'text/plain';
    }

    public function write(VisitorListing $listing): string
    {
        return implode("\n", array_column($listing->records, 'title'));
    }
}
