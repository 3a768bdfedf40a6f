<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/**
 * What a module draws from.
 *
 * To add one: a class here, a line in SourceKinds, and its query in the application's Listing/Compile/Source.
 */
interface Source
{
    /** @return non-empty-list<string> the keys of a definition's `source` that say it */
    public static function keys(): array;

    /** Whether a definition's `source` says this kind; one of its keys may be another's, too. */
    public static function isSaidBy(Shape $shape): bool;

    /** Null, and problems noted, where it cannot be read. */
    public static function read(Shape $shape, SourceSite $site): ?self;

    /** @return non-empty-list<array<string, mixed>> JSON Schemas (2020-12) of the forms that it has in a definition */
    public static function schemas(): array;

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

    /** Whether a record can stand more than once, by occurrence; its keys then have a start. */
    public function hasOccurrences(): bool;

    /** Whether its records are items, which have pages of their own. */
    public function isItems(): bool;

    /**
     * The taxonomy whose terms the slugs of its records name; null where they are no terms, or of several taxonomies.
     */
    public function slugTaxonomy(): ?string;

    /**
     * The key `about` of a page that serves every record of this source, as in the page's file, without `under` and
     * `only`. Null if no page can serve them.
     *
     * @return array<string, mixed>|null
     */
    public function about(): ?array;

    /** The address that the record brings with it; null if the address is that of a page about it. */
    public function addressOf(Record $record): ?string;

    /** Whether a record stands for items, such as a month, and does not exist without an item that the viewer sees. */
    public function gathersItems(): bool;

    /** How its records are ordered where a definition says nothing. */
    public function defaultOrder(): DefaultOrder;

    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** @return list<Piece> how it reads after “Take” */
    public function pieces(Format $format): array;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
