<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Problem\Shape;

/** The record’s title, a heading with a link to its page. */
final class Title implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'title';
    }

    public function label(): string
    {
        return 'Title';
    }

    public function options(): array
    {
        return [new Whole('level', 'Heading level', 3, 2, 6)];
    }

    public function read(Shape $shape, CardFields $fields): PartContent
    {
        return self::plain($fields, OptionValues::read($this->options(), $shape));
    }

    /** A third-level title, the placeholder for an unreadable part. */
    public static function plain(CardFields $fields, ?OptionValues $values = null): PartContent
    {
        return new PartContent(
            $values ?? OptionValues::defaults((new self)->options()),
            $fields->type->reachable['title'],
        );
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        return PartValue::text($record->title);
    }
}
