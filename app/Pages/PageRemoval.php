<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\AuditTrail;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\History\UndoHandler;
use App\Models\Change;
use App\Models\Page;
use Illuminate\Database\UniqueConstraintViolationException;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Removes a page, as a change that can be undone. */
final readonly class PageRemoval implements UndoHandler
{
    public function kind(): string
    {
        return 'page';
    }

    /** Visitors no longer see it. A page with the same key that is applied later replaces it. */
    public function remove(Page $row): Change
    {
        return RevisionRecorder::change(
            $this->kind(),
            "Removed “{$row->title}”",
            'remove',
            function (RevisionRecorder $recorder, Change $change) use ($row): void {
                $row->fill(['removed_at' => now()])->save();
                $change->data = ['page' => $row->id];
                $change->save();
                AuditTrail::record(AuditAction::PageRemoved, "“{$row->title}”", [
                    'key' => $row->key, 'address' => $row->address,
                ]);
            },
        );
    }

    public function undo(Change $change, RevisionRecorder $recorder): int
    {
        $row = Page::query()->where('id', $change->data['page'] ?? 0)->whereNotNull('removed_at')->first();
        try {
            $row?->fill(['removed_at' => null])->save();
        } catch (UniqueConstraintViolationException) {
            throw Refused::because('address', ProblemCode::Taken, 'another page has its address now.');
        }

        return $row === null ? 0 : 1;
    }
}
