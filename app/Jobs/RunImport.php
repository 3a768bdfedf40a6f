<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Import\ColumnMatch;
use App\Import\ImportPlan;
use App\Import\ImportResult;
use App\Import\ItemImport;
use App\Models\Import;
use App\Tasks\LeasedJob;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Queue\MaxAttemptsExceededException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Checks or writes an import in the queue, so that the person can leave the page. */
final class RunImport implements ShouldQueue
{
    use LeasedJob;

    public function __construct(private readonly int $import, private readonly bool $write)
    {
    }

    public function handle(ItemImport $import, CatalogueStore $store): void
    {
        $row = Import::query()->find($this->import);
        // The work is already done: the worker was stopped before it could report so.
        if ($row === null || $row->state !== ($this->write ? 'writing' : 'checking')) {
            return;
        }
        $store->forget();
        // A worker runs many jobs. This one acts as the person who started the import.
        Actor::become($row->user_id);
        $progress = $this->progress($row);
        try {
            $type = $store->catalogue()->type($row->type_key)
                ?? throw Refused::because('', ProblemCode::UnknownType, 'The content type is no longer there.');
            $plan = ImportPlan::read(
                $row->options,
                $type,
                $row->pictures === null ? null : Storage::disk('imports')->path($row->pictures),
            );
            $path = Storage::disk('imports')->path($row->file);
            $result = $this->write
                ? $import->run($path, $type, $plan, $progress, fn (ImportResult $result) => self::end($row, $result))
                : $import->check($path, $type, $plan, $progress);
            if ($result->change === null) {
                self::end($row, $result);
            } else {
                ColumnMatch::remember($type, $plan->columns ?? []);
                Storage::disk('imports')->deleteDirectory((string) $row->id);
            }
        } catch (Refused $refused) {
            $row->update([
                'state' => 'failed',
                'result' => [
                    'problems' => array_map(
                        fn (Problem $problem): array => ['path' => $problem->path, 'message' => $problem->message],
                        $refused->problems,
                    ),
                ],
            ]);
        } catch (\Throwable $fault) {
            // Nothing can be recorded while the database is down; the job runs again later.
            if (app(LostConnectionDetector::class)->causedByLostConnection($fault)) {
                throw $fault;
            }
            report($fault);
            $this->fail($fault);
        }
    }

    private static function end(Import $row, ImportResult $result): void
    {
        $row->update([
            'state' => $result->change === null ? 'checked' : 'done',
            'result' => $result->toArray(),
            'change_id' => $result->change,
        ]);
    }

    /** Also called if the worker was stopped each time, or took too long. */
    public function failed(?\Throwable $fault): void
    {
        $message = $fault instanceof MaxAttemptsExceededException
            ? 'It was begun several times, and the server was stopped each time. Nothing was written.'
            : 'Something went wrong on the server; nothing was written. It has been noted in the log.';
        Import::query()->whereKey($this->import)->update([
            'state' => 'failed',
            'result' => json_encode(['problems' => [['path' => '', 'message' => $message]]]),
        ]);
    }

    /**
     * Written over a separate connection, so that it is visible before the import's transaction ends.
     *
     * @return \Closure(string, int): void
     */
    private function progress(Import $row): \Closure
    {
        return function (string $phase, int $done) use ($row): void {
            DB::connection('progress')
                ->table('imports')
                ->where('id', $row->id)
                ->update(
                    ['done' => $done] + ($phase === 'read' ? ['rows' => DB::raw("greatest(rows, {$done})")] : []),
                );
        };
    }
}
