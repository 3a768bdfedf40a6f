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
 * The source of a module.
 *
 * To add one: a class here, a line in SourceKinds, and its query in the application's Listing/Compile/Source.
 */
interface Source
{
    /** @return non-empty-list<string> the keys of a definition's `source` that say it */
    public static function keys(): array;

    /** True if a definition's `source` is of this kind; another kind may share a key. */
    public static function isSaidBy(Shape $shape): bool;

    /** Returns null and adds problems if it is invalid. */
    public static function read(Shape $shape, SourceSite $site): ?self;

    /** @return non-empty-list<array<string, mixed>> JSON Schemas (2020-12) of the forms that it has in a definition */
    public static function schemas(): array;

    /** @return non-empty-list<SourceStart> the forms in which a module can begin with it */
    public static function starts(): array;

    /** The key of its form in the list of starts. */
    public function startKey(): string;

    /** The type of its records: the fields that rules and cards can use. */
    public function type(): Type;

    /** @return list<string> keys of the content types whose items it is made of; none: of every type */
    public function typeKeys(): array;

    /**
     * True if records of a kind can be among its records.
     *
     * @param  string  $kind  a record's `type`: the key of a content type, or the kind of terms, people or months
     */
    public function accepts(string $kind): bool;

    /**
     * Why a record of its kind is not among its records, in a sentence; '' if it is. Visibility is tested separately.
     */
    public function whyNot(Record $record, Context $context): string;

    /** True if the record is one of its records, and the viewer may see it. */
    public function contains(Record $record, Context $context): bool;

    /**
     * The candidates among all records of the site.
     *
     * @param  list<Record>  $all  items, terms and people of every kind, without counts
     * @return list<Record>
     */
    public function records(array $all, Context $context): array;

    /** True if a record can appear more than once, by occurrence; its keys then have a start. */
    public function hasOccurrences(): bool;

    /** The kind of its records. */
    public function recordsOf(): RecordsOf;

    /** The content type whose items are all its candidates, so that an index of the type can help; null if none. */
    public function wholeType(): ?Type;

    /** @return list<string> the items that it names, as `type/slug` */
    public function namedItems(): array;

    /**
     * The part of the page that gives its records; null if it does not read the page.
     *
     * @return array{part: SubjectPart, of: string}|null `of`: key of the taxonomy or type; '' for any
     */
    public function takesFromPage(): ?array;

    /**
     * The source at publishing: with the parts that the definition leaves to the site's pages.
     *
     * @param  \Closure(string): list<Type>  $listed  the types on the pages of a taxonomy's terms, by its key
     */
    public function forPublishing(\Closure $listed): self;

    /**
     * The taxonomy of its records; null if they are no terms, or terms of several taxonomies.
     */
    public function slugTaxonomy(): ?string;

    /**
     * The key `about` of a page that can serve every record of this source, without `under` and `only`. Null if no page
     * can serve them.
     *
     * @return array<string, mixed>|null
     */
    public function about(): ?array;

    /** The record's own address; null if its address is that of a page about it. */
    public function addressOf(Record $record): ?string;

    /** The default order of its records. */
    public function defaultOrder(): DefaultOrder;

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;

    /** @return list<Piece> how it reads after “Take” */
    public function pieces(Format $format): array;

    /** @return array<string, mixed> */
    public function toArray(): array;
}
