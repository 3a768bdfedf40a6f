<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Import;
use App\Models\Task;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Support\Facades\DB;

/**
 * Marks a queued job as running by an advisory lock of PostgreSQL, in a separate session of the worker. The lock ends
 * with the process, with its connection, or with the database.
 */
final class JobLease
{
    /** The first half of the lock's key, which identifies the kind of lock. */
    private const KIND = 7_301;

    /** Payload key: the job holds a lease while it runs. */
    private const MARK = 'leased';

    /** Grace period in seconds: a job that was reserved longer ago and has no lease is not running. */
    private const GRACE = 5;

    /** A reserved job that is not running. Bindings: kind, grace. */
    private const IS_STOPPED = 'jobs.reserved_at is not null and not exists (select 1 from pg_locks where locktype = '
        ."'advisory' and database = (select oid from pg_database where datname = current_database()) and classid = ? "
        .'and objid = jobs.id) and jobs.reserved_at <= extract(epoch from now()) - ?';

    /** @return bool whether it is had; false: somebody else is doing the job */
    public static function take(int $job): bool
    {
        $taken = DB::connection('progress')
            ->selectOne('select pg_try_advisory_lock(?, ?) as taken', [self::KIND, $job]);

        return $taken?->taken === true;
    }

    public static function release(int $job): void
    {
        DB::connection('progress')->select('select pg_advisory_unlock(?, ?)', [self::KIND, $job]);
    }

    /** True if it has stopped without being done. */
    public static function isStopped(Import|Task $work): bool
    {
        if (! $work->isUnderWay() || $work->job_id === null) {
            return false;
        }
        $job = DB::selectOne(
            'select not exists (select 1 from jobs where id = ?) or exists (select 1 from jobs where id = ? and '
                .self::IS_STOPPED.') as stopped',
            [$work->job_id, $work->job_id, self::KIND, self::GRACE],
        );

        // It may have finished in between.
        return $job?->stopped === true && $work->newQuery()->whereKey($work->id)->sole()->isUnderWay();
    }

    /**
     * Returns stopped jobs to the queue. Their work is written either completely, with the note that it is done, or not
     * at all.
     */
    public static function recover(): void
    {
        // Reads a payload as text: PHP's serialized part may contain null bytes, which PostgreSQL's JSON cannot.
        DB::update(
            'update jobs set reserved_at = null, available_at = floor(extract(epoch from now())) '
                .'where '.self::IS_STOPPED.' and strpos(payload, ?) > 0',
            [self::KIND, self::GRACE, '"'.self::MARK.'":true'],
        );
    }

    /**
     * The keys of a job's payload besides Laravel's own.
     *
     * @param  array<string, mixed>  $payload  before the job is serialized
     * @return array<string, bool>
     */
    public static function payload(array $payload): array
    {
        $job = is_array($payload['data'] ?? null) ? $payload['data']['command'] ?? null : null;

        return is_object($job) && in_array(LeasedJob::class, class_uses_recursive($job), true)
            ? [self::MARK => true]
            : [];
    }

    /** @return int|null the id of the job; null where it was done at once, or by a queue that is not the database's */
    public static function dispatch(ShouldQueue $job): ?int
    {
        $id = app(Dispatcher::class)->dispatch($job);

        return is_numeric($id) && $id > 0 ? (int) $id : null;
    }

    /** Removes a stopped job from the queue, so that a person can start it again. */
    public static function discard(int $job): void
    {
        DB::table('jobs')->where('id', $job)->delete();
    }
}
