<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\SubjectPart;
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

    /** @return non-empty-list<SourceStart> the forms in which a module can begin with it */
    public static function starts(): array;

    /** The key of the start that it has the form of. */
    public function startKey(): string;

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

    /** What its records stand for. */
    public function recordsOf(): RecordsOf;

    /** The content type whose items are all its candidates, so that an index of the type can serve it; null if none. */
    public function wholeType(): ?Type;

    /** @return list<string> the items that it names, as `type/slug` */
    public function namedItems(): array;

    /**
     * The part of the page's subject that it takes its records from; null if it takes none.
     *
     * @return array{part: SubjectPart, of: string}|null `of`: key of the taxonomy or type; '' for any
     */
    public function takesFromPage(): ?array;

    /**
     * The source as it is published: with what the definition leaves to the pages of the site.
     *
     * @param  \Closure(string): list<Type>  $listed  the types that the pages of a taxonomy's terms list, by its key
     */
    public function forPublishing(\Closure $listed): self;

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
