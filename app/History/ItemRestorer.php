<?php

declare(strict_types=1);

namespace App\History;

/** Brings items back to earlier revisions. */
interface ItemRestorer
{
    /**
     * Keeps everybody else from writing these items until the transaction ends.
     *
     * @param  list<int>  $ids
     */
    public function lock(array $ids): void;

    /**
     * Brings each item back to its revision before a change. An item that was changed again since stays as it is.
     *
     * @param  list<\stdClass>  $rows  of `change_items`
     * @return list<string> one reason for each item that was not brought back; empty: the change made the item, and it
     *   is gone already
     */
    public function bringBack(array $rows, RevisionRecorder $recorder): array;
}
