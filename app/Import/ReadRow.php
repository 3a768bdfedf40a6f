<?php

declare(strict_types=1);

namespace App\Import;

use App\Models\Item;
use Wellspring\Core\Content\ItemDraft;

/** A row of a file with the item that it creates or changes. */
final readonly class ReadRow
{
    /**
     * @param  ItemDraft  $draft  the new state of the item
     * @param  Item|null  $item  the existing item; null for a new item
     * @param  'created'|'changed'|'unchanged'  $becomes
     */
    public function __construct(public ItemDraft $draft, public ?Item $item, public string $becomes)
    {
    }
}
