<?php

declare(strict_types=1);

namespace App\History;

use App\Models\Change;
use Wellspring\Core\Problem\Refused;

/** Takes back what a kind of change did beside the items that it touched; those return by their revisions. */
interface UndoHandler
{
    /** The kind of change, as it is stored. */
    public function kind(): string;

    /**
     * Called within the transaction that undoes the change, before its items return.
     *
     * @return int how many things other than items returned
     *
     * @throws Refused where it can no longer be taken back
     */
    public function undo(Change $change, RevisionRecorder $recorder): int;
}
