<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\MovingSpan;
use Wellspring\Core\Filter\WiderValue;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Default answers of tests. */
trait Defaults
{
    public function readOptions(Shape $shape, Field $field, Type $type, Problems $problems): array
    {
        return [];
    }

    public static function optionSchemas(): array
    {
        return [];
    }

    public function optionPieces(Condition $condition, string $at): array
    {
        return [];
    }

    public function references(Condition $condition, string $at, array $types): array
    {
        return [];
    }

    public function searchTerms(Condition $condition): array
    {
        return [];
    }

    public function relatedBy(Condition $condition): array
    {
        return [];
    }

    public function readsTermNames(): bool
    {
        return false;
    }

    public function changesDaily(Condition $condition): bool
    {
        return false;
    }

    public function movingSpan(Condition $condition, Context $context): ?MovingSpan
    {
        return null;
    }

    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        return null;
    }
}
