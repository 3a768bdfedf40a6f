<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Audit\AuditTrail;
use App\Content\ItemRelations;
use App\Export\ExportFile;
use App\Freshness\ContentMarks;
use App\Mail\Outbox;
use App\People\AccountLinks;
use App\Tasks\Tasks;
use App\ViewCounts\ViewCounter;
use Illuminate\Cache\DatabaseStore;
use Illuminate\Console\Command;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;

/**
 * A database cache removes an expired entry only when its key is read, which never happens for old listings.
 */
final class Tidy extends Command
{
    /** Number of rows per statement, so that no request waits for the table. */
    private const AT_ONCE = 5_000;

    protected $signature = 'wellspring:tidy';

    protected $description = 'Remove what has run out from a cache in the database, and fold the marks that changes '
        .'of content have left';

    public function handle(
        Repository $cache,
        ContentMarks $marks,
        ViewCounter $views,
        Outbox $outbox,
        AccountLinks $links,
    ): int {
        $removed = 0;
        if ($cache->getStore() instanceof DatabaseStore) {
            $table = config()->string('cache.stores.database.table');
            do {
                $some = DB::table($table)
                    ->whereIn(
                        'key',
                        DB::table($table)
                            ->select('key')
                            ->where('expiration', '<=', now()->getTimestamp())
                            ->limit(self::AT_ONCE),
                    )
                    ->delete();
                $removed += $some;
            } while ($some === self::AT_ONCE);
        }
        $removed += $views->prune() + $outbox->prune() + $links->prune();
        $folded = $marks->fold();
        AuditTrail::prune();
        Tasks::prune();
        ExportFile::prune();
        $mended = ItemRelations::mend();
        $mended === 0 || $this->line("Mended the terms of {$mended} ".($mended === 1 ? 'item.' : 'items.'));
        $this->line("Removed {$removed} that had run out; folded the marks of {$folded} changes.");

        return self::SUCCESS;
    }
}
