<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Database\PostgresArray;
use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\LinksAmong;
use Wellspring\Core\Filter\Test\Quantifier;

/** @implements TestSql<LinksAmong> */
final class LinksAmongSql implements TestSql
{
    public function test(): string
    {
        return LinksAmong::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $given = $test->readValue($condition->value, $condition->field);
        if ($test->quantifier === Quantifier::All) {
            return Fragment::all(
                array_map(fn (string $name): Fragment => $this->has($condition, [$name], $context, $of), $given),
            );
        }
        $has = $this->has($condition, $given, $context, $of);

        return $test->isNegative() ? $has->not() : $has;
    }

    /** @param  list<string>  $names */
    private function has(BoundCondition $condition, array $names, Context $context, string $of): Fragment
    {
        return FieldSql::linked($condition->field, $context, $of, $condition->field->family() === Family::Person
            ? new Fragment('named.email = any(?::text[])', [PostgresArray::literal($names)])
            : new Fragment("(named.type_key || '/' || named.slug) = any(?::text[])", [PostgresArray::literal($names)]));
    }
}
