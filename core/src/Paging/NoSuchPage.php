<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

final class NoSuchPage extends \OutOfRangeException
{
    public function __construct(public readonly string $asked, public readonly int $pages)
    {
        parent::__construct("There is no page “{$asked}”; expected a whole number from 1 to {$pages}.");
    }
}
