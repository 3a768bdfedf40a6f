<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\Words;

/** The same words on every card. */
final class FixedText implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'text';
    }

    public function label(): string
    {
        return 'Text';
    }

    public function options(): array
    {
        return [new Words('text', 'Words', null)];
    }

    public function offers(Type $type): array
    {
        return [['label' => $this->label(), 'part' => ['part' => $this->key(), 'text' => 'Words']]];
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        return PartValue::text($part->option('text'));
    }

    public function words(Part $part): string
    {
        return "“{$part->option('text')}”";
    }
}
