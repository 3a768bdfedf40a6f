<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Database\PostgresArray;
use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\ChoiceAmong;
use Wellspring\Core\Filter\Test\Quantifier;

/** @implements TestSql<ChoiceAmong> */
final class ChoiceAmongSql implements TestSql
{
    public function test(): string
    {
        return ChoiceAmong::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $given = PostgresArray::literal($test->readValue($condition->value, $condition->field));
        $raw = FieldSql::raw($condition->field, $of);
        $list = FieldSql::json($condition->field, $of);
        $fragment = match (true) {
            $condition->field->family() === Family::Choice => new Fragment("{$raw} = any(?::text[])", [$given]),
            $test->quantifier === Quantifier::All => new Fragment("jsonb_exists_all({$list}, ?::text[])", [$given]),
            default => new Fragment("jsonb_exists_any({$list}, ?::text[])", [$given]),
        };

        return $test->isNegative() ? $fragment->not() : $fragment;
    }
}
