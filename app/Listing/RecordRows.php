<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Who\Audience;

/** Makes records from rows that are not items. */
final class RecordRows
{
    /** @return Builder<Item> the query under the name that conditions and orders use */
    public static function named(Query $query): Builder
    {
        $items = Item::query();
        $items->fromSub($query, 'items');

        return $items;
    }

    /** A record that is not an item: it has always existed and is for everyone, unless its account is closed. */
    public static function record(object $row): Record
    {
        $row = (array) $row;
        $values = json_decode((string) $row['fields'], true);

        return new Record(
            (int) $row['id'],
            (string) $row['type_key'],
            (string) $row['slug'],
            (string) $row['title'],
            ($row['active'] ?? true) === true ? Status::Published : Status::Draft,
            '0001-01-01T00:00:00Z',
            null,
            Audience::everyone(),
            ['text' => $row['text']] + (is_array($values) ? $values : []),
        );
    }
}
