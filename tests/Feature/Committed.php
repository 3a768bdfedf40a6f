<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use Illuminate\Support\Facades\DB;

/** For tests of what only committed work shows: nothing is rolled back, and all that was written goes afterwards. */
trait Committed
{
    /** @return list<string> */
    protected function connectionsToTransact(): array
    {
        return [];
    }

    protected function tearDown(): void
    {
        $tables = DB::table('pg_tables')
            ->where('schemaname', 'public')
            ->where('tablename', '<>', 'migrations')
            ->pluck('tablename')
            ->all();
        DB::statement(
            'truncate '.implode(
                ', ',
                array_map(fn (mixed $table): string => '"'.(is_string($table) ? $table : '').'"', $tables),
            ).' cascade',
        );
        app(CatalogueStore::class)->forget();
        parent::tearDown();
    }
}
