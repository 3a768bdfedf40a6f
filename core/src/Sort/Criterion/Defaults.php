<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion;

/** Default answers of criteria. */
trait Defaults
{
    public function read(Shape $shape, Type $type): Criterion
    {
        return $this;
    }

    public function options(): array
    {
        return [];
    }

    public static function optionSchemas(): array
    {
        return [];
    }

    public function bound(?BoundGroup $where): Criterion
    {
        return $this;
    }

    public function compareEmpty(Record $a, Record $b): int
    {
        return 0;
    }

    public function references(string $at, array $types): array
    {
        return [];
    }

    public function usesIndex(): bool
    {
        return false;
    }

    public function changesDaily(): bool
    {
        return false;
    }

    public function countsViews(): bool
    {
        return false;
    }
}
