<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Listing\FieldSql;
use App\Listing\Fragment;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\ChoiceOneOf;

/** @implements TestSql<ChoiceOneOf> */
final class ChoiceOneOfSql implements TestSql
{
    public function test(): string
    {
        return ChoiceOneOf::class;
    }

    public function fragment(object $test, Condition $condition): Fragment
    {
        $given = Fragment::arrayLiteral($test->readValue($condition->value, $condition->field));
        $fragment = $condition->field->family() === Family::Choice
            ? new Fragment(FieldSql::raw($condition->field).' = any(?::text[])', [$given])
            : new Fragment('jsonb_exists_any('.FieldSql::raw($condition->field).'::jsonb, ?::text[])', [$given]);

        return $test->kept ? $fragment : $fragment->not();
    }
}
