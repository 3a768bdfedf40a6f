<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ReportsProblems;
use App\History\Undo as Undoing;
use App\Models\Change;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class Undo extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:undo {change? : the number of the change; none lists the last ones}';

    protected $description = 'Take back an import, an edit of many items, or a change of a type or of terms';

    public function handle(Undoing $undo): int
    {
        $number = $this->given('change');
        if ($number === '') {
            $this->table(
                ['Change', 'When (UTC)', 'What', ''],
                Change::query()->where('kind', '<>', 'undo')->latest('id')->limit(20)->get()
                    ->map(fn (Change $change): array => [
                        $change->id,
                        $change->made_at->format('Y-m-d H:i'),
                        $change->title,
                        $change->undone_at === null ? '' : 'taken back',
                    ])->all(),
            );

            return self::SUCCESS;
        }
        $change = ctype_digit($number) ? Change::query()->find((int) $number) : null;
        if ($change === null) {
            $this->error("There is no change {$number}. wellspring:undo without a number lists them.");

            return self::INVALID;
        }
        try {
            $done = $undo->undo($change);
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        $this->info("Taken back: {$change->title}. {$done['undone']} items are as they were.");
        foreach ($done['left'] as $why) {
            $this->warn("Left as it is: {$why}");
        }

        return self::SUCCESS;
    }
}
