<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/**
 * A kind of part on a card: which field it shows and how.
 *
 * To add one: a class in Part/, a line in PartKinds, and its view in resources/views/site/parts.
 */
interface PartKind
{
    public function key(): string;

    /** The field it shows; null, and a problem noted, where the definition or the type names none that suits. */
    public function field(Shape $shape, Type $type): ?Field;

    /** @return array{level?: int|null, words?: int|null} what the part says beside its field */
    public function options(Shape $shape): array;

    /** The text to show; null or empty where there is nothing. A picture gives its name. */
    public function show(Part $part, Record $record, Format $format): ?string;

    /** How the part is called in a sentence. */
    public function words(Field $field): string;
}
