<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Database\PostgresArray;

/**
 * A piece of SQL with its bindings. As a condition it is true, false or null; null counts as false. Values appear only
 * in the bindings.
 */
final readonly class Fragment
{
    private const COMPARED = 64;

    /** @param  list<scalar|null>  $bindings */
    public function __construct(public string $sql, public array $bindings = [])
    {
    }

    public static function true(): self
    {
        return new self('true');
    }

    public static function false(): self
    {
        return new self('false');
    }

    /** @param  list<self>  $all true if all are true, or if there are none */
    public static function all(array $all): self
    {
        return self::join(' and ', $all, self::true());
    }

    /** @param  list<self>  $any true if at least one is true */
    public static function any(array $any): self
    {
        return self::join(' or ', $any, self::false());
    }

    /** @param  list<self>  $values as one row, for row comparisons */
    public static function row(array $values): self
    {
        return new self(
            '('.implode(', ', array_map(fn (self $value): string => $value->sql, $values)).')',
            array_merge(...array_map(fn (self $value): array => $value->bindings, $values)),
        );
    }

    /**
     * True if a record has one of the terms.
     *
     * @param  list<int>  $terms  ids
     */
    public static function hasTerm(array $terms, string $of): self
    {
        // Above this number of ids, the item_term index is faster than the array of the item.
        return count($terms) <= self::COMPARED
            ? new self("{$of}.term_ids && ?::bigint[]", [PostgresArray::literal($terms)])
            : new self(
                'exists (select 1 from item_term where item_term.item_id = '
                    ."{$of}.id and item_term.term_id = any(?::bigint[]))",
                [PostgresArray::literal($terms)],
            );
    }

    /** True if the condition is false or null. */
    public function not(): self
    {
        return new self("({$this->sql}) is not true", $this->bindings);
    }

    /** @param  list<self>  $parts */
    private static function join(string $word, array $parts, self $none): self
    {
        return match (count($parts)) {
            0 => $none,
            1 => $parts[0],
            default => new self(
                '('.implode($word, array_map(fn (self $part): string => "({$part->sql})", $parts)).')',
                array_merge(...array_map(fn (self $part): array => $part->bindings, $parts)),
            ),
        };
    }
}
