<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;

/** What a source holds: records of a kind that it takes, which the viewer may see, and which nothing speaks against. */
trait ContainsRecords
{
    public static function isSaidBy(Shape $shape): bool
    {
        return array_filter(self::keys(), $shape->has(...)) !== [];
    }

    public function references(string $at, array $types): array
    {
        return [];
    }

    public function hasOccurrences(): bool
    {
        return false;
    }

    public function contains(Record $record, Context $context): bool
    {
        return $this->accepts($record->type) && $context->admits($record) && $this->whyNot($record, $context) === '';
    }
}
