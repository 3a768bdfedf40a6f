<?php

declare(strict_types=1);

namespace App\Content\Taxonomies;

use Illuminate\Support\Facades\DB;

/**
 * A lock that every move of a term takes until the end of its transaction. Otherwise two moves in one tree could each
 * put a term below the other. PostgreSQL's own check takes the same lock.
 */
final class TaxonomyLock
{
    /** Call it within a transaction, before the tree is read. */
    public static function take(string $taxonomy): void
    {
        DB::select("select pg_advisory_xact_lock(hashtext('wellspring.taxonomy'), hashtext(?))", [$taxonomy]);
    }
}
