<?php

declare(strict_types=1);

namespace App\Catalogue;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Problem\Problem;

/** Stored definitions that name content types, fields, taxonomies and terms: what writers of these must ask first. */
interface StoredDefinitions
{
    /**
     * Writes new names into every definition, drafts and live ones. Call within a transaction.
     *
     * @param  Catalogue  $before  as the site was before anything was renamed
     * @return list<array<string, mixed>> what was written over, for restore()
     */
    public function rename(Renaming $renaming, Catalogue $before): array;

    /**
     * @param  list<array<string, mixed>>  $replaced  from rename(); what others replaced is left alone, and a
     *   definition that was changed since stays
     */
    public function restore(array $replaced): void;

    /**
     * @param  Catalogue  $before  as the site is
     * @param  Catalogue  $after  as it would be
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
