<?php

declare(strict_types=1);

namespace Tests\Plugins\CardPart;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\Part\Defaults;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Record;

/** A part: the first letter of the title; it shows no field. */
final class Initial implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'initial';
    }

    public function label(): string
    {
        return 'Initial';
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        return PartValue::text(mb_substr($record->title, 0, 1));
    }
}
