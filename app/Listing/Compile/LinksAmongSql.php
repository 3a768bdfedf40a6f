<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Listing\Fragment;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\LinksAmong;
use Wellspring\Core\Filter\Test\Quantity;
use Wellspring\Core\Run\Context;

/** @implements TestSql<LinksAmong> */
final class LinksAmongSql implements TestSql
{
    public function test(): string
    {
        return LinksAmong::class;
    }

    public function fragment(object $test, Condition $condition, Context $context, string $of): Fragment
    {
        $given = $test->readValue($condition->value, $condition->field);
        if ($test->quantity === Quantity::All) {
            return Fragment::all(array_map(fn (string $name): Fragment => $this->has($condition, [$name], $of), $given));
        }
        $has = $this->has($condition, $given, $of);

        return $test->isNegative() ? $has->not() : $has;
    }

    /** @param  list<string>  $names */
    private function has(Condition $condition, array $names, string $of): Fragment
    {
        $given = Fragment::arrayLiteral($names);
        $field = $condition->field;
        $people = 'select named.id from users named where named.email = any(?::text[])';
        if ($field->origin === Origin::Item) {
            return new Fragment("{$of}.author_id in ({$people})", [$given]);
        }
        $target = $field->family() === Family::Person
            ? "item_links.person_id in ({$people})"
            : "item_links.target_id in (select named.id from items named join unnest(?::text[]) as given(name) on named.type_key = split_part(given.name, '/', 1) and named.slug = split_part(given.name, '/', 2))";

        return new Fragment("exists (select 1 from item_links where item_links.item_id = {$of}.id and item_links.field = ? and {$target})", [$field->ownKey(), $given]);
    }
}
