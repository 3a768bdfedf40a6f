<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Audit\Actor;
use App\Models\Task;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Does short work inside the request, and long work in the queue. */
final readonly class Tasks
{
    /** @param  \Closure(int): ShouldQueue  $job  makes the job of a task from the task's id */
    public function __construct(private LongWorkRegister $kinds, private \Closure $job)
    {
    }

    /** Work on more items than this is done in the queue. */
    public const IN_REQUEST = 200;

    /** Maximum number of retries after a deadlock. */
    private const ATTEMPTS = 5;

    /** Number of days for which results are kept. */
    private const KEEP_DAYS = 7;

    /**
     * @template TAnswer of array<string, mixed>
     *
     * @param  class-string<LongWork<TAnswer>>  $kind
     * @param  string  $title  title of the task: “Publish 400 products”
     * @param  array<string, mixed>  $input
     * @param  int  $items  maximum number of affected items
     * @return TaskAnswer<TAnswer>
     *
     * @throws Refused
     */
    public function run(string $kind, string $title, array $input, int $items): TaskAnswer
    {
        if ($items > self::IN_REQUEST) {
            return $this->beside($kind, $title, $input, $items);
        }
        /** @var LongWork<TAnswer> $work */
        $work = app($kind);

        /** @var TaskAnswer<TAnswer> $answer */
        $answer = new TaskAnswer($work->run($input, fn (int $done) => null));

        return $answer;
    }

    /**
     * @template TAnswer of array<string, mixed>
     *
     * @param  class-string<LongWork<TAnswer>>  $kind
     * @param  array<string, mixed>  $input
     * @return TaskAnswer<TAnswer>
     *
     * @throws Refused
     */
    public function beside(string $kind, string $title, array $input, int $items): TaskAnswer
    {
        $task = Task::query()->create([
            'user_id' => Actor::id(),
            'kind' => $kind::key(),
            'title' => $title,
            'input' => $input,
            'total' => $items,
        ]);
        $job = JobLease::dispatch(($this->job)($task->id));
        Task::query()->whereKey($task->id)->update(['job_id' => $job]);

        /** @var TaskAnswer<TAnswer> $answer */
        $answer = self::answer($task->refresh());

        return $answer;
    }

    /**
     * @return TaskAnswer<array<string, mixed>>
     *
     * @throws Refused where it was refused
     */
    public static function answer(Task $task): TaskAnswer
    {
        if ($task->state === 'failed') {
            throw new Refused(
                array_map(
                    fn (array $one): Problem => new Problem(
                        $one['path'],
                        ProblemCode::from($one['code']),
                        $one['message'],
                    ),
                    $task->problems,
                ) ?: [new Problem('', ProblemCode::Failed, 'It could not be done.')],
            );
        }

        return $task->state === 'done'
            ? new TaskAnswer((array) $task->result)
            : TaskAnswer::waiting($task);
    }

    /**
     * Does the work of a task and stores its result; the queue worker calls it. The work and the note that it is done
     * are one transaction, so a restarted task does not run twice.
     *
     * @throws \Throwable Refused among them
     */
    public function finish(Task $task): void
    {
        $task->update(['state' => 'running']);
        DB::transaction(function () use ($task): void {
            $result = $this->kinds->work($task->kind)->run($task->input, self::progress($task));
            $task->update(['state' => 'done', 'done' => $task->total, 'result' => $result]);
        }, self::ATTEMPTS);
    }

    public function refuse(Task $task, Refused $refused): void
    {
        $this->fail($task, array_map(
            fn (Problem $problem): array => [
                'path' => $problem->path,
                'code' => $problem->code->value,
                'message' => $problem->message,
            ],
            $refused->problems,
        ));
    }

    /** @param  list<array{path: string, code: string, message: string}>  $problems */
    public function fail(Task $task, array $problems): void
    {
        $task->update(['state' => 'failed', 'problems' => $problems]);
    }

    /** Removes old finished tasks. */
    public static function prune(): void
    {
        $ended = Task::query()->whereIn('state', ['done', 'failed']);
        $ended->where('updated_at', '<', now()->subDays(self::KEEP_DAYS))->delete();
    }

    /**
     * Written over a separate connection, so that it is visible before the work's transaction ends.
     *
     * @return \Closure(int): void
     */
    private static function progress(Task $task): \Closure
    {
        $told = 0.0;

        return function (int $done) use ($task, &$told): void {
            if (microtime(true) - $told >= 0.5) {
                $told = microtime(true);
                DB::connection('progress')
                    ->table('tasks')
                    ->where('id', $task->id)
                    ->update(['done' => $done, 'updated_at' => now()]);
            }
        };
    }
}
