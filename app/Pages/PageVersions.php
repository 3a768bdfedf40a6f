<?php

declare(strict_types=1);

namespace App\Pages;

use App\Models\Page;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageSentences;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * The published versions of a page, each with its changes.
 *
 * @phpstan-type ChangedLineShape array{now: bool, words: string}
 * @phpstan-type PageVersionShape array{
 *     number: int, publishedAt: string, by: string|null, changed: list<ChangedLineShape>,
 * }
 * @phpstan-type PageVersionsShape array{draft: list<ChangedLineShape>, versions: list<PageVersionShape>}
 */
final readonly class PageVersions
{
    /** Maximum number of listed versions; older ones are kept. */
    private const MOST = 50;

    public function __construct(private PageStore $pages)
    {
    }

    /** @return PageVersionsShape what the draft would change, and the versions, the newest first */
    public function all(Page $row): array
    {
        $rows = DB::table('page_versions')->leftJoin('users', 'users.id', '=', 'page_versions.user_id')
            ->where('page_id', $row->id)->orderByDesc('number')->limit(self::MOST + 1)
            ->get(['number', 'definition', 'page_versions.published_at', 'users.name'])->all();
        $definitions = array_map(
            fn (object $version): ?PageDefinition => $this->readable(json_decode((string) $version->definition, true)),
            $rows,
        );
        $versions = [];
        foreach (array_slice($rows, 0, self::MOST) as $i => $version) {
            $versions[] = [
                'number' => (int) $version->number,
                'publishedAt' => Iso8601::format(new \DateTimeImmutable((string) $version->published_at)),
                'by' => is_string($version->name) ? $version->name : null,
                'changed' => PageSentences::changed($definitions[$i + 1] ?? null, $definitions[$i] ?? null),
            ];
        }

        return [
            'draft' => PageSentences::changed($this->readable($row->live), $this->readable($row->draft)),
            'versions' => $versions,
        ];
    }

    /** @return array<string, mixed>|null as a file holds it; null where there is no such version */
    public function find(Page $row, int $number): ?array
    {
        $definition = DB::table('page_versions')->where('page_id', $row->id)->where('number', $number)
            ->value('definition');
        $decoded = is_string($definition) ? json_decode($definition, true) : null;

        return $this->readable($decoded)?->toArray() ?? (is_array($decoded) ? ['bands' => []] + $decoded : null);
    }

    private function readable(mixed $definition): ?PageDefinition
    {
        try {
            return $definition === null ? null : $this->pages->read($definition);
        } catch (Refused) {
            return null;
        }
    }
}
