<?php

declare(strict_types=1);

namespace App\Site\PageCache;

use App\ViewCounts\CountableVisit;

/** What is asked of PostgreSQL before the framework is loaded, over a connection that the worker keeps. */
final class PageDatabase
{
    private ?\PDO $connection = null;

    public function __construct(private readonly PageCacheSettings $settings)
    {
    }

    /**
     * @param  string|null  $seen  the state of the database in which the mark was the entry's; null: none is known
     * @return string|null a state in which it is; null where it is another mark, or where the database does not answer
     */
    public function stateOf(PageEntry $entry, ?string $seen): ?string
    {
        try {
            $database = $this->connection();
            // Written out, it is one way there and back.
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

    /** A view that cannot be counted is lost; the page has been sent. */
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
     * @param  string  $media  name of a row of the library
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
            // A connection of its own, beside the framework's.
            \PDO::ATTR_PERSISTENT => 'pages',
            \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
            \PDO::ATTR_EMULATE_PREPARES => true,
        ]);
    }
}
