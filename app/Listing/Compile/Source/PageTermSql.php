<?php

declare(strict_types=1);

namespace App\Listing\Compile\Source;

use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Source\PageTerm;

/** @implements SourceSql<PageTerm> */
final class PageTermSql implements SourceSql
{
    public function source(): string
    {
        return PageTerm::class;
    }

    public function candidates(object $source, Context $context): Builder
    {
        $taxonomy = $source->taxonomy($context);

        return $taxonomy === null
            ? TermRows::of(array_values($source->taxonomies)[0], $context)->whereRaw('false')
            : TermRows::of($taxonomy, $context)->where('items.slug', $context->page->term['slug'] ?? null);
    }

    public function allOfKind(object $source, Context $context): Builder
    {
        return TermRows::of(
            $source->taxonomy($context) ?? array_values($source->taxonomies)[0],
            $context,
        );
    }

    public function unstored(object $source, string $slug, Context $context): ?Record
    {
        return null;
    }
}
