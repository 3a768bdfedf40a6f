<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Piece;

/**
 * What a module draws from.
 *
 * To add one: a class here, its reading in SourceReader, and its query in the application's Listing/Sources.
 */
interface Source
{
    /** What its records have for rules and cards to speak of. */
    public function type(): Type;

    /** @return list<string> keys of the content types whose items it is made of; none: of every type */
    public function typeKeys(): array;

    /**
     * Whether records of a kind can be among its own.
     *
     * @param  string  $kind  a record's `type`: the key of a content type, or what its terms, people or months are
     *   called
     */
    public function accepts(string $kind): bool;

    /**
     * Why a record of a kind that it takes is not among its own, in a sentence; '' where it is. Whether the viewer may
     * see it is asked beside.
     */
    public function whyNot(Record $record, Context $context): string;

    /** Whether the record is one of its records, and the viewer may see it. */
    public function contains(Record $record, Context $context): bool;

    /**
     * The candidates among all that the site has.
     *
     * @param  list<Record>  $all  items, and terms and people of every kind, without what is counted of them
     * @return list<Record>
     */
    public function records(array $all, Context $context): array;

    /** Whether its records are items, which have pages of their own. */
    public function isItems(): bool;

    /**
     * The taxonomy whose terms the slugs of its records name; null where they are no terms, or of several taxonomies.
     */
    public function slugTaxonomy(): ?string;

    /** How its records are ordered where a definition says nothing. */
    public function defaultOrder(): DefaultOrder;

    /** @return list<Piece> how it reads after “Take” */
    public function pieces(): array;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
