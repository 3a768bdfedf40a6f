<?php

declare(strict_types=1);

namespace App\Content\Taxonomies;

use Illuminate\Support\Facades\DB;

/**
 * A lock that every move of a term takes for the rest of its transaction. Two moves in one tree could otherwise each
 * put a term below the other. The database's own check takes the same lock.
 */
final class TaxonomyLock
{
    /** Call within a transaction, before the tree is read. */
    public static function take(string $taxonomy): void
    {
        DB::select("select pg_advisory_xact_lock(hashtext('wellspring.taxonomy'), hashtext(?))", [$taxonomy]);
    }
}
