<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/**
 * A kind of part on a card: what it shows of a record and how.
 *
 * To add one: a class in Part/, a line in PartKinds, and its view in resources/views/site/parts.
 */
interface PartKind
{
    public function key(): string;

    /**
     * What a definition says of it beside `part`, `label` and `empty`; null, and problems noted, where it cannot be.
     */
    public function read(Shape $shape, Type $type): ?PartContent;

    /** @return array<string, array<string, mixed>> JSON Schema (2020-12) of each key of its own */
    public static function optionSchemas(): array;

    /** The text to show; null or empty where there is nothing. A picture gives its name. */
    public function show(Part $part, Record $record, Format $format): ?string;

    /** Whether what it shows is the name of a picture. */
    public function showsPicture(): bool;

    /** How the part is called in a sentence. */
    public function words(Part $part): string;

    /**
     * @param  string  $at  where the part stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(Part $part, string $at, array $types): array;
}
