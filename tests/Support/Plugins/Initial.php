<?php

declare(strict_types=1);

namespace Tests\Support\Plugins;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\Part\Defaults;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** A part: the first letter of the title; it shows no field. */
final class Initial implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'initial';
    }

    public function read(Shape $shape, Type $type): PartContent
    {
        return new PartContent;
    }

    public function show(Part $part, Record $record, Format $format): string
    {
        return mb_substr($record->title, 0, 1);
    }
}
