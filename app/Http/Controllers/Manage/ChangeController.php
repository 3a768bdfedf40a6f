<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Changes\UndoChange;
use App\Models\Change;
use App\Tasks\Tasks;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Time\Iso8601;

/** What was done to many items at once, and taking it back. */
final readonly class ChangeController
{
    private const SHOWN = 30;

    /** @return list<array<string, mixed>> */
    public function index(): array
    {
        $changes = Change::query()->with('user:id,name')->where('kind', '<>', 'undo')
            ->when(Gate::denies('manage'), fn ($query) => $query->where('user_id', Auth::id()))
            ->latest('id')
            ->limit(self::SHOWN)
            ->get();

        return array_values($changes->map(fn (Change $change): array => [
            'id' => $change->id,
            'title' => $change->title,
            'by' => $change->user->name ?? 'the command line',
            'at' => Iso8601::format($change->made_at),
            'undone' => $change->undone_at !== null,
        ])->all());
    }

    /** Answers how many items returned and which did not; where there are many, the task that does so. */
    public function undo(Change $change, Tasks $tasks): JsonResponse
    {
        return $tasks->run(
            UndoChange::class,
            "Take back: {$change->title}",
            ['change' => $change->id],
            $change->size(),
        );
    }
}
