<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Listings\VisitorListing;

/** A format in which listings are sent. An output gets all values as arguments and does not read the request. */
interface Output
{
    /** Its key: `html`, `json`. */
    public static function key(): string;

    /** A media type, such as `text/html`. */
    public static function mediaType(): string;

    public function write(VisitorListing $listing): string;
}
