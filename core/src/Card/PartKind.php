<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/**
 * A kind of part on a card.
 *
 * To add one: a class in Part/, a line in PartKinds, and its view in resources/views/site/parts.
 */
interface PartKind
{
    public function key(): string;

    /** Its label for managers: “Picture”. */
    public function label(): string;

    /** @return list<Option> the keys of its own, beside those that every part has */
    public function options(): array;

    /** @return list<array{label: string, part: array<string, mixed>}> those that a card of the type could have */
    public function offers(Type $type): array;

    /** Reads the part's content from a definition. Returns null and adds problems if it is invalid. */
    public function read(Shape $shape, CardFields $fields): ?PartContent;

    /** The value to show; null if it is empty. For a picture it is the file name. */
    public function show(Part $part, Record $record, CardContext $context): ?PartValue;

    /** The records that show() has a value for. */
    public function presence(Part $part): Presence;

    /** @return list<Field> what it asks of a record */
    public function fields(Part $part): array;

    /** @return list<Condition> what it asks besides */
    public function conditions(Part $part): array;

    /** True if the value may change at midnight without a write. */
    public function changesDaily(Part $part): bool;

    /** True if a record without a value has a gap that a manager can fill in. */
    public function canBeFilledIn(): bool;

    /** True if the value is the name of a picture. */
    public function showsPicture(): bool;

    /** The name of the part inside a sentence. */
    public function words(Part $part): string;

    /**
     * @param  string  $at  the part's place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(Part $part, string $at, array $types): array;
}
