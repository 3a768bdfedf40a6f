<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\History\RevisionRecorder;
use App\History\UndoHandler;
use App\Models\Change;

/** Undoes a change of a content type. */
final readonly class UndoTypeChange implements UndoHandler
{
    public function __construct(private TypeWriter $writer)
    {
    }

    public function kind(): string
    {
        return 'type';
    }

    public function undo(Change $change, RevisionRecorder $recorder): int
    {
        $this->writer->undo($change, $recorder);

        return 0;
    }
}
