<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Who\Viewer;

/** Which records are visible at an instant: published, within their dates, and for the viewer. */
final readonly class Visibility
{
    /** @param  string  $at  instant, in stored form */
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
