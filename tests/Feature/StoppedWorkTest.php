<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\RunImport;
use App\Models\Change;
use App\Models\Import;
use App\Models\Item;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;

/** Workers of the queue, each a process, that are ended in the middle of their work. */
final class StoppedWorkTest extends TestCase
{
    use Committed;

    private const ROWS = 4_000;

    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $this->actingAs($this->manager());
        config(['queue.default' => 'database']);
    }

    public function test_an_import_whose_worker_was_killed_is_told_and_done_once_by_the_next(): void
    {
        $import = $this->import();
        $worker = $this->worker();
        $this->until(fn (): bool => Import::query()->findOrFail($import)->state === 'writing'
            && Import::query()->findOrFail($import)->done >= 500);
        posix_kill((int) $worker->id(), SIGKILL);
        $this->until(fn (): bool => ! $worker->running());

        $this->assertSame(0, Item::query()->count(), 'nothing is half written');
        $this->postJson("/manage/api/imports/{$import}/run", ['write' => true, 'options' => $this->optionsOf($import)])
            ->assertUnprocessable();
        $this->until(fn (): bool => $this->getJson("/manage/api/imports/{$import}")->json('stopped') === true);

        $this->assertSame(0, $this->worker()->wait()->exitCode());
        $row = Import::query()->findOrFail($import);
        $this->assertSame(['done', self::ROWS], [$row->state, $row->result['created'] ?? null]);
        $this->assertSame([self::ROWS, 1], [Item::query()->count(), Change::query()->count()]);
        $this->assertSame(0, DB::table('jobs')->count());

        // As where the worker was ended after it had written and before it could take the job out of the queue.
        dispatch(new RunImport($import, true));
        $this->worker()->wait();
        $this->assertSame([self::ROWS, 1], [Item::query()->count(), Change::query()->count()]);
    }

    public function test_what_has_stopped_can_be_begun_again_at_once_and_after_three_times_it_has_failed(): void
    {
        $import = $this->import();
        // As it stands when a worker took it and was ended.
        DB::table('jobs')->update(['reserved_at' => now()->subMinute()->getTimestamp(), 'attempts' => 3]);
        $this->getJson("/manage/api/imports/{$import}")->assertOk()->assertJson(['stopped' => true]);
        $run = ['write' => true, 'options' => $this->optionsOf($import)];
        $this->postJson("/manage/api/imports/{$import}/run", $run)->assertOk()->assertJson(['stopped' => false]);
        $this->assertSame(1, DB::table('jobs')->count(), 'the job that had stopped is gone');

        DB::table('jobs')->update(['reserved_at' => now()->subMinute()->getTimestamp(), 'attempts' => 3]);
        $this->worker()->wait();
        $row = Import::query()->findOrFail($import);
        $this->assertSame('failed', $row->state);
        $this->assertStringContainsString('begun several times', json_encode($row->result, JSON_THROW_ON_ERROR));
        $this->assertSame([0, 1], [Item::query()->count(), DB::table('failed_jobs')->count()]);
    }

    /** @return int the id of an import that waits to be written */
    private function import(): int
    {
        $rows = implode('', array_map(fn (int $n): string => "Plant {$n},Perennials > Ferns\n", range(1, self::ROWS)));
        $import = $this->post('/manage/api/imports', [
            'type' => 'plant', 'file' => UploadedFile::fake()->createWithContent('plants.csv', "title,groups\n{$rows}"),
        ], ['Accept' => 'application/json'])->assertCreated()->json();
        $this->postJson(
            "/manage/api/imports/{$import['id']}/run",
            ['write' => true, 'options' => $import['options']],
        )->assertOk();

        return $import['id'];
    }

    /** @return array<string, mixed> */
    private function optionsOf(int $import): array
    {
        return Import::query()->findOrFail($import)->options;
    }

    private function worker(): InvokedProcess
    {
        return Process::env([
            'APP_ENV' => 'testing', 'DB_DATABASE' => DB::connection()->getDatabaseName(), 'DB_PERSISTENT' => 'false',
            'CACHE_STORE' => 'database', 'SESSION_DRIVER' => 'array', 'QUEUE_CONNECTION' => 'database',
        ])->start(['php', base_path('artisan'), 'queue:work', '--stop-when-empty', '--tries=1', '--quiet']);
    }

    private function until(\Closure $holds): void
    {
        for ($end = microtime(true) + 60; ! $holds();) {
            $this->assertLessThan($end, microtime(true), 'it takes too long');
            usleep(50_000);
        }
        $this->addToAssertionCount(1);
    }
}
