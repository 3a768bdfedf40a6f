<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Within;

/** @implements TestSql<Within> */
final class WithinSql implements TestSql
{
    public function test(): string
    {
        return Within::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $from = $test->readValue($condition->value, $condition->field);
        $place = FieldSql::json($condition->field, $of);
        [$latitude, $longitude] = ["({$place}->>'latitude')::float8", "({$place}->>'longitude')::float8"];

        return new Fragment(
            '2 * '.Within::RADIUS." * asin(least(1, sqrt(power(sin(radians({$latitude} - ?::float8) / 2), 2)"
                ." + cos(radians(?::float8)) * cos(radians({$latitude}))"
                ." * power(sin(radians({$longitude} - ?::float8) / 2), 2)))) <= ?::float8",
            [(float) $from['latitude'], (float) $from['latitude'], (float) $from['longitude'], (float) $from['km']],
        );
    }
}
