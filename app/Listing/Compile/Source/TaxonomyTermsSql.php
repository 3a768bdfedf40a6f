<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\TaxonomyTerms;

/** @implements SourceSql<TaxonomyTerms> */
final class TaxonomyTermsSql implements SourceSql
{
    public function source(): string
    {
        return TaxonomyTerms::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        $query = TermRows::of($source->taxonomy, $context, $source->countedTypes());
        if ($source->among() !== null) {
            $query->whereIn('items.slug', $source->among());
        }
        if ($source->used) {
            $query->whereRaw("(items.fields->>'count')::int > 0");
        }

        return $query;
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return TermRows::of($source->taxonomy, $context, $source->countedTypes());
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }
}
