<?php

declare(strict_types=1);

namespace App\History;

/** Restores items from earlier revisions. */
interface ItemRestorer
{
    /**
     * Locks these items against other writes until the transaction ends.
     *
     * @param  list<int>  $ids
     */
    public function lock(array $ids): void;

    /**
     * Restores each item's revision before a change. An item that was changed again since stays as it is.
     *
     * @param  list<\stdClass>  $rows  rows of `change_items`
     * @return list<string> one reason for each item that was not restored; empty if the change created the item and it
     *   is already gone
     */
    public function bringBack(array $rows, RevisionRecorder $recorder): array;
}
