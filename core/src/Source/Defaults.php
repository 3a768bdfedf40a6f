<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;

/** Default answers of sources. */
trait Defaults
{
    public static function isSaidBy(Shape $shape): bool
    {
        return array_filter(self::keys(), $shape->has(...)) !== [];
    }

    public function startKey(): string
    {
        return self::starts()[0]->key;
    }

    public function references(string $at, array $types): array
    {
        return [];
    }

    public function about(): ?array
    {
        return null;
    }

    public function addressOf(Record $record): ?string
    {
        return null;
    }

    public function slugTaxonomy(): ?string
    {
        return null;
    }

    public function wholeType(): ?Type
    {
        return null;
    }

    public function namedItems(): array
    {
        return [];
    }

    public function takesFromPage(): ?array
    {
        return null;
    }

    public function forPublishing(\Closure $listed): Source
    {
        return $this;
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
