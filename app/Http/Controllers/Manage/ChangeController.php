<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\Undo;
use App\Models\Change;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Kind\Instant;

/** What was done to many items at once, and taking it back. */
final readonly class ChangeController
{
    private const SHOWN = 30;

    /** @return list<array<string, mixed>> */
    public function index(Request $request): array
    {
        $who = $request->user();
        $changes = Change::query()->where('kind', '<>', 'undo')
            ->when($who instanceof User && ! $who->isManager(), fn ($query) => $query->where('user_id', $who?->getAuthIdentifier()))->latest('id')->limit(self::SHOWN)->get();
        $names = DB::table('users')->whereIn('id', $changes->pluck('user_id')->filter())->pluck('name', 'id');

        return array_values($changes->map(fn (Change $change): array => [
            'id' => $change->id,
            'title' => $change->title,
            'by' => $names[$change->user_id] ?? 'the command line',
            'at' => Instant::write($change->made_at),
            'undone' => $change->undone_at !== null,
        ])->all());
    }

    /** @return array{undone: int, left: list<string>} */
    public function undo(Request $request, int $id, Undo $undo): array
    {
        $change = Change::query()->findOrFail($id);
        $who = $request->user();
        abort_unless($who instanceof User && ($who->isManager() || $change->user_id === $who->id), 403, 'This was done by someone else.');

        set_time_limit(0);

        return $undo->undo($change);
    }
}
