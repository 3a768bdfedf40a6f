<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Piece;
use Wellspring\Core\Run\Context;
use Wellspring\Core\Sort\By;
use Wellspring\Core\Sort\SortKey;

/** The term, of one taxonomy, that the page is about; nothing on a page about none. */
final readonly class PageTerm implements Source
{
    private Type $type;

    public function __construct(public Taxonomy $taxonomy)
    {
        $this->type = TermType::of($taxonomy);
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function draws(): array
    {
        return [];
    }

    public function holds(Record $record, Context $context): bool
    {
        return $record->type === $this->type->key && $context->page->term === ['taxonomy' => $this->taxonomy->key, 'slug' => $record->slug];
    }

    public function records(array $all, Context $context): array
    {
        return array_values(array_filter((new Terms($this->taxonomy))->records($all, $context), fn (Record $record): bool => $this->holds($record, $context)));
    }

    public function isItems(): bool
    {
        return false;
    }

    public function order(): array
    {
        return [new SortKey(new By\FieldValue($this->type->reachable['title']))];
    }

    public function pieces(): array
    {
        return [new Piece("the term of {$this->taxonomy->label} that the page is about", 'source')];
    }

    public function toArray(): array
    {
        return ['page' => 'term', 'of' => $this->taxonomy->key];
    }
}
