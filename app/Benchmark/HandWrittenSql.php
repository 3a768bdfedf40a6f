<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Catalogue\CatalogueStore;

/** The conditions of the measured modules, as an expert in PostgreSQL would write them. */
final class HandWrittenSql
{
    public const CANDIDATES = "items.type_key = 'product' and items.status = 'published' and items.publish_at <= "
        .'now() and (items.expire_at is null or items.expire_at > now()) and items.audience && '
        ."array['everyone', 'signed-out']";

    public const LIGHT = "items.fields->>'light' in ('shade', 'half-shade')";

    public const PRICE = "(items.fields->>'price')::numeric > 5";

    /** A term or one below it, with the terms' ids inlined. */
    public static function group(CatalogueStore $catalogue, string $term): string
    {
        $below = $catalogue->catalogue()->taxonomies['groups']->terms->withBelow($term);

        return 'exists (select 1 from item_term where item_term.item_id = items.id and item_term.term_id = any(\'{'
            .implode(',', $catalogue->termIds('groups', $below)).'}\'))';
    }
}
