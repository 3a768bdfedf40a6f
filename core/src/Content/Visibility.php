<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Who\Viewer;

/** Who may see which records at an instant: published, in their time, and for the viewer. */
final readonly class Visibility
{
    /** @param  string  $at  instant, as it is stored */
    public function __construct(public Viewer $viewer, public string $at)
    {
    }

    public function admits(Record $record): bool
    {
        return $record->status === Status::Published
            && $record->publishAt !== null && $record->publishAt <= $this->at
            && ($record->expireAt === null || $this->at < $record->expireAt)
            && $record->audience->admits($this->viewer);
    }
}
