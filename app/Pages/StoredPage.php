<?php

declare(strict_types=1);

namespace App\Pages;

use Wellspring\Core\Page\PageDefinition;

/** A page's definition with where it is stored. */
final readonly class StoredPage
{
    /** @param  int|null  $id  null of one that is not stored: a preview, or the plain page of an item */
    public function __construct(public ?int $id, public PageDefinition $definition)
    {
    }
}
