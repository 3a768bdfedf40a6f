<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Listings\VisitorListing;

/** A form in which a listing goes out. It asks nothing of the request: all that it needs is in what it is given. */
interface Output
{
    /** What an installation calls it: `html`, `json`. */
    public static function key(): string;

    /** A media type, such as `text/html`. */
    public static function mediaType(): string;

    public function write(VisitorListing $listing): string;
}
