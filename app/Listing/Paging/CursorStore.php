<?php

declare(strict_types=1);

namespace App\Listing\Paging;

/**
 * Known positions in the order of one listing, from which a query can continue. With them a far page costs as much as a
 * near one.
 */
interface CursorStore
{
    /**
     * @param  int  $from  a position, 0 first
     * @return array{place: int, values: list<string|null>}|null the nearest known record before the position: its
     *   position and its sort values
     */
    public function before(int $from): ?array;

    /**
     * Remembers records.
     *
     * @param  array<int, list<string|null>>  $records  their sort values, by position
     */
    public function note(array $records): void;
}
