<?php

declare(strict_types=1);

namespace App\Listing\Paging;

/**
 * Known places in the order of one listing, from which a walk can begin: what a far page costs is then that of a near
 * one.
 */
interface CursorStore
{
    /**
     * @param  int  $from  a place, 0 first
     * @return array{place: int, values: list<string|null>}|null the nearest known record before that place: its place,
     *   and its values of what it is ordered by
     */
    public function before(int $from): ?array;

    /**
     * Takes note of records.
     *
     * @param  array<int, list<string|null>>  $records  their values of what they are ordered by, by place
     */
    public function note(array $records): void;
}
