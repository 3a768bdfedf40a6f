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
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;

/** The author of the record. */
final class Author implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'author';
    }

    public function label(): string
    {
        return 'Author';
    }

    public function offers(Type $type): array
    {
        return isset($type->reachable['author'])
            ? [['label' => $this->label(), 'part' => ['part' => $this->key()]]]
            : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $author = $fields->type->reachable['author'] ?? null;
        if ($author === null) {
            $shape->wrong('part', "a part that {$fields->type->plural} have; they have no author", 'author');
        }

        return $author === null ? null : new PartContent(OptionValues::defaults([]), $author);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $name = $part->fieldText($record, $context->format);

        return $part->field === null ? PartValue::text($name) : PartValue::linked($record, $part->field, $name);
    }
}
