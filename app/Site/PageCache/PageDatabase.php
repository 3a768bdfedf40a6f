<?php

declare(strict_types=1);

namespace App\Site\PageCache;

use App\ViewCounts\CountableVisit;

/** The queries to PostgreSQL before the framework is loaded, over the worker's persistent connection. */
final class PageDatabase
{
    private ?\PDO $connection = null;

    public function __construct(private readonly PageCacheSettings $settings)
    {
    }

    /**
     * @param  string|null  $seen  the database state in which the entry's mark was valid; null if unknown
     * @return string|null a state in which it is; null where it is another mark, or where the database does not answer
     */
    public function stateOf(PageEntry $entry, ?string $seen): ?string
    {
        try {
            $database = $this->connection();
            // With inlined values this takes one round trip.
            $answer = $database->query(
                "select page_mark({$database->quote($entry->keys)}, {$database->quote((string) $seen)})",
            );
            $found = $answer === false ? null : $answer->fetchColumn();
        } catch (\PDOException) {
            return null;
        }
        [$mark, $state] = is_string($found) ? explode('@', $found, 2) : [$entry->mark, $seen];

        return $mark === $entry->mark ? $state : null;
    }

    /** A view that cannot be counted is lost, because the page has already been sent. */
    public function count(int $item, CountableVisit $visit, \DateTimeImmutable $now): void
    {
        try {
            $this->connection()
                ->prepare('select count_view(?, ?, ?, ?)')
                ->execute([$item, $now->format('Y-m-d'), $visit->visitor, $now->format('c')]);
        } catch (\PDOException) {
            return;
        }
    }

    /**
     * @param  string  $media  name of a row in the media library
     * @return bool|null whether signed-out visitors may see it now; null where the database does not answer
     */
    public function isOpen(string $media): ?bool
    {
        try {
            $database = $this->connection();
            $answer = $database->query(
                "select media_is_open({$database->quote($media)}, '{everyone,signed-out}', now())::integer",
            );

            return $answer === false ? null : (int) $answer->fetchColumn() === 1;
        } catch (\PDOException) {
            return null;
        }
    }

    /** @throws \PDOException */
    private function connection(): \PDO
    {
        return $this->connection ??= new \PDO($this->settings->dsn, $this->settings->user, $this->settings->password, [
            // A second connection besides the framework's.
            \PDO::ATTR_PERSISTENT => 'pages',
            \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
            \PDO::ATTR_EMULATE_PREPARES => true,
        ]);
    }
}
