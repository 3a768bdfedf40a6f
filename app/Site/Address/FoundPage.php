<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Pages\StoredPage;
use App\Site\Subject;

/** The page that answers an address, with the record that it is about there. */
final readonly class FoundPage
{
    public function __construct(public StoredPage $stored, public Subject $subject)
    {
    }
}
