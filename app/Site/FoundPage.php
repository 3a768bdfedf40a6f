<?php

declare(strict_types=1);

namespace App\Site;

use App\Pages\StoredPage;

/** The page that answers an address, with what it is about there. */
final readonly class FoundPage
{
    public function __construct(public StoredPage $stored, public Subject $subject)
    {
    }
}
