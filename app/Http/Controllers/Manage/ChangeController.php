<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\History\UndoChange;
use App\Models\Change;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Time\Iso8601;

/**
 * Recent changes of many items at once, and undoing them.
 *
 * @phpstan-type ChangeShape array{id: int, title: string, by: string, at: string, undone: bool}
 */
final readonly class ChangeController
{
    private const SHOWN = 30;

    /** @return list<ChangeShape> */
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

    /** @return TaskAnswer<array{undone: int, left: list<string>}> how many items returned, and which did not */
    public function undo(Change $change, Tasks $tasks): TaskAnswer
    {
        return $tasks->run(
            UndoChange::class,
            "Take back: {$change->title}",
            ['change' => $change->id],
            $change->size(),
        );
    }
}
