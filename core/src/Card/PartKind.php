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
 * A kind of part on a card: what it shows of a record and how.
 *
 * To add one: a class in Part/, a line in PartKinds, and its view in resources/views/site/parts.
 */
interface PartKind
{
    public function key(): string;

    /** What a manager calls it: “Picture”. */
    public function label(): string;

    /** @return list<Option> the keys of its own, beside those that every part has */
    public function options(): array;

    /** @return list<array{label: string, part: array<string, mixed>}> those that a card of the type could have */
    public function offers(Type $type): array;

    /** What a definition says of it; null, and problems noted, where it cannot be. */
    public function read(Shape $shape, CardFields $fields): ?PartContent;

    /** What it shows; null where there is nothing. A picture gives its name. */
    public function show(Part $part, Record $record, CardContext $context): ?PartValue;

    /** Of which records it has something to show: the same that show() says. */
    public function presence(Part $part): Presence;

    /** @return list<Field> what it asks of a record */
    public function fields(Part $part): array;

    /** @return list<Condition> what it asks besides */
    public function conditions(Part $part): array;

    /** Whether it shows something else from midnight on though nothing was written. */
    public function changesDaily(Part $part): bool;

    /** Whether a record that it has nothing to show of lacks something, to be filled in. */
    public function canBeFilledIn(): bool;

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
