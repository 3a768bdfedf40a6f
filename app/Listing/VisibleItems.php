<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Context\Context;

/** The items that a viewer may see at an instant. */
final class VisibleItems
{
    /**
     * @param  list<string>  $types  keys; empty: every type
     * @return Builder<Item>
     */
    public static function of(array $types, Context $context): Builder
    {
        $query = Item::query();
        if (count($types) === 1) {
            $query->where('items.type_key', $types[0]);
        } elseif ($types !== []) {
            $query->whereIn('items.type_key', $types);
        }
        $admitted = Visibility::ofItem($context);

        return $query->whereRaw($admitted->sql, $admitted->bindings);
    }
}
