<?php

declare(strict_types=1);

namespace App\History;

use App\Models\Change;
use Wellspring\Core\Problem\Refused;

/** Undoes the parts of a change besides its items, which are restored by their revisions. */
interface UndoHandler
{
    /** The stored kind of change. */
    public function kind(): string;

    /**
     * Called inside the transaction of the undo, before the items are restored.
     *
     * @return int how many things other than items returned
     *
     * @throws Refused where it can no longer be taken back
     */
    public function undo(Change $change, RevisionRecorder $recorder): int;
}
