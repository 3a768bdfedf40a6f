<?php

declare(strict_types=1);

namespace App\Import;

use App\Models\Item;
use Wellspring\Core\Content\ItemDraft;

/** A row of a file as the item that it makes or changes. */
final readonly class ReadRow
{
    /**
     * @param  ItemDraft  $draft  the item as it is to be
     * @param  Item|null  $item  as it is; null: there is none yet
     * @param  'created'|'changed'|'unchanged'  $becomes
     */
    public function __construct(public ItemDraft $draft, public ?Item $item, public string $becomes)
    {
    }
}
