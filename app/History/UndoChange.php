<?php

declare(strict_types=1);

namespace App\History;

use App\Models\Change;
use App\Tasks\LongWork;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Undoes a change, as a task.
 *
 * @implements LongWork<array{undone: int, left: list<string>}>
 */
final readonly class UndoChange implements LongWork
{
    public function __construct(private Undo $undo)
    {
    }

    public static function key(): string
    {
        return 'undo';
    }

    /**
     * @param  array<string, mixed>  $input  change (its id)
     * @return array{undone: int, left: list<string>}
     */
    public function run(array $input, \Closure $progress): array
    {
        $change = Change::query()
            ->where('id', $input['change'] ?? 0)
            ->first() ?? throw Refused::because('', ProblemCode::Unknown, 'There is no such change any more.');

        return $this->undo->undo($change, $progress);
    }
}
