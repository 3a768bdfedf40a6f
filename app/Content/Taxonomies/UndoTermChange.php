<?php

declare(strict_types=1);

namespace App\Content\Taxonomies;

use App\History\RevisionRecorder;
use App\History\UndoHandler;
use App\Models\Change;

/** Restores merged or removed terms. */
final readonly class UndoTermChange implements UndoHandler
{
    public function __construct(private TermChanges $terms)
    {
    }

    public function kind(): string
    {
        return 'terms';
    }

    public function undo(Change $change, RevisionRecorder $recorder): int
    {
        $this->terms->undo($change);

        return 0;
    }
}
