<?php

declare(strict_types=1);

namespace App\Catalogue;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Problem\Problem;

/**
 * Stored definitions that refer to content types, fields, taxonomies and terms. Code that changes these must call this
 * service first.
 */
interface StoredDefinitions
{
    /**
     * Renames fields or terms in every definition, drafts and live versions. Call it within a transaction.
     *
     * @param  Catalogue  $before  the site before the renaming
     * @return list<array<string, mixed>> what was written over, for restore()
     */
    public function rename(Renaming $renaming, Catalogue $before): array;

    /**
     * @param  list<array<string, mixed>>  $replaced  from rename(); definitions that were changed since stay as they
     *   are
     */
    public function restore(array $replaced): void;

    /**
     * @param  Catalogue  $before  the current site
     * @param  Catalogue  $after  the site after the change
     * @return list<Problem> for each live definition that could no longer be read
     */
    public function unreadable(Renaming $renaming, Catalogue $before, Catalogue $after): array;

    /** @return list<Problem> for each definition that draws from the content type */
    public function drawingFromType(string $type): array;

    /** @return list<Problem> for each live definition that is about the term and those below it */
    public function aboutBranch(string $taxonomy, string $term): array;

    /** @return list<Problem> for each definition that takes the terms of the taxonomy */
    public function takingTermsOf(string $taxonomy): array;
}
