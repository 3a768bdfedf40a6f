<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Listing\Fragment;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\Search;
use Wellspring\Core\Run\Context;
use Wellspring\Core\Text\Words;

/** @implements TestSql<Search> */
final class SearchSql implements TestSql
{
    public function test(): string
    {
        return Search::class;
    }

    public function fragment(object $test, Condition $condition, Context $context, string $of): Fragment
    {
        $looked = Words::looked(is_string($condition->value) ? $condition->value : '');

        return new Fragment("{$of}.search @@ to_tsquery('wellspring', ?)", [implode(' & ', array_map(self::word(...), $looked))]);
    }

    /** @param  string  $looked  letters or digits, and perhaps a `*` */
    public static function word(string $looked, string $weight = ''): string
    {
        $options = (str_ends_with($looked, '*') ? '*' : '').$weight;

        return "'".str_replace("'", "''", rtrim($looked, '*'))."'".($options === '' ? '' : ":{$options}");
    }
}
