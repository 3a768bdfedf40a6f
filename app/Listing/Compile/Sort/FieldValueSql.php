<?php

declare(strict_types=1);

namespace App\Listing\Compile\Sort;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\OrderBy;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Sort\Criterion\FieldValue;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Source\RecordsOf;

/** @implements CriterionSql<FieldValue> */
final class FieldValueSql implements CriterionSql
{
    public function criterion(): string
    {
        return FieldValue::class;
    }

    public function orders(object $by, SortKey $key, BoundModule $module, Context $context): array
    {
        return [new OrderBy(
            FieldSql::order($by->field),
            self::type($by->field),
            $key->direction === Direction::Up,
            $by->field->isNeverEmpty() && $module->source->recordsOf() === RecordsOf::Items ? null : $key->emptyFirst,
        )];
    }

    private static function type(Field $field): string
    {
        return match (true) {
            $field->family() === Family::Text => 'text',
            $field->family() === Family::Number => 'numeric',
            $field->family() === Family::YesNo => 'boolean',
            $field->family() === Family::Choice => 'int',
            $field->origin === Origin::Item => 'timestamptz',
            default => 'text',
        };
    }
}
