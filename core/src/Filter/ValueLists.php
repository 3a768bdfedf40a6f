<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\WrongValue;

/** Reads lists of values from definitions. */
final class ValueLists
{
    /**
     * @template T
     *
     * @param  \Closure(mixed): T  $read
     * @return non-empty-list<T> none twice
     *
     * @throws WrongValue
     */
    public static function list(mixed $value, string $what, \Closure $read): array
    {
        if (! is_array($value) || ! array_is_list($value) || $value === []) {
            throw WrongValue::expected("a list of {$what}, at least one", $value);
        }

        return array_values(array_unique(array_map($read, $value), SORT_REGULAR));
    }

    /**
     * @param  list<string>  $known
     * @return non-empty-list<string>
     *
     * @throws WrongValue
     */
    public static function known(mixed $value, array $known, string $what): array
    {
        return self::list($value, $what, function (mixed $one) use ($known, $what): string {
            if (! is_string($one) || ! in_array($one, $known, true)) {
                $some = implode(', ', array_slice($known, 0, 12)).(count($known) > 12 ? ', …' : '');
                throw WrongValue::expected("{$what} ({$some})", $one);
            }

            return $one;
        });
    }

    /** @return list<string> */
    public static function texts(mixed $value): array
    {
        return array_values(array_filter(is_array($value) ? $value : [$value], is_string(...)));
    }
}
