<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Import;
use App\Models\Task;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Support\Facades\DB;

/**
 * Tells that a job of the queue is being done: a lock in PostgreSQL that belongs to a session of the worker's own. It
 * ends with the process or with its connection, whichever way these end, and with the database.
 */
final class JobLease
{
    /** The first half of the lock's key: which kind of lock it is. */
    private const KIND = 7_301;

    /** Tells in the payload that a job holds a lease while it is done. */
    private const MARK = 'leased';

    /** A job that was taken so many seconds ago has its lease, or nobody is doing it. */
    private const GRACE = 5;

    /** A job that stands as taken, with nobody doing it. Bindings: kind, grace. */
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

    /** Whether nobody is doing it, though it is not done. */
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

        // It may have ended in between.
        return $job?->stopped === true && $work->newQuery()->whereKey($work->id)->sole()->isUnderWay();
    }

    /** Puts what has stopped back into the queue; none of it was written, or all of it and that it is done. */
    public static function recover(): void
    {
        // Of a payload as text: what it holds of PHP's own may have null bytes, which the database reads in no JSON.
        DB::update(
            'update jobs set reserved_at = null, available_at = floor(extract(epoch from now())) '
                .'where '.self::IS_STOPPED.' and strpos(payload, ?) > 0',
            [self::KIND, self::GRACE, '"'.self::MARK.'":true'],
        );
    }

    /**
     * What the payload of a job says beside Laravel's own.
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

    /** Takes a job that has stopped out of the queue, so that it can be begun by hand. */
    public static function discard(int $job): void
    {
        DB::table('jobs')->where('id', $job)->delete();
    }
}
