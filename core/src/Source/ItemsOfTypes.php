<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;

/** Shared by sources whose records are items of several types, with the fields that all these types have. */
trait ItemsOfTypes
{
    use Defaults;

    private readonly Type $shared;

    public function type(): Type
    {
        return $this->shared;
    }

    public function typeKeys(): array
    {
        return array_map(fn (Type $type): string => $type->key, $this->types);
    }

    public function accepts(string $kind): bool
    {
        return in_array($kind, $this->typeKeys(), true);
    }

    public function records(array $all, Context $context): array
    {
        return array_values(array_filter($all, fn (Record $record): bool => $this->contains($record, $context)));
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Items;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->shared->reachable['publish_at'], descending: true);
    }
}
