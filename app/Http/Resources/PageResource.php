<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Page;
use App\Pages\PageStore;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * A page as the manage screens take it.
 *
 * @phpstan-import-type PageFileShape from Definitions
 *
 * @phpstan-type PageSummaryShape array{
 *     key: string, title: string, address: string, about: string|null, state: 'live'|'changed'|'draft'|'attention',
 *     problem: string|null, audience: string, blocks: int,
 * }
 * @phpstan-type PageWholeShape array{
 *     key: string, definition: PageFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 */
final readonly class PageResource
{
    public function __construct(private PageStore $pages)
    {
    }

    /** @return PageSummaryShape as the tree of pages has it */
    public function summary(Page $row): array
    {
        [$page, $problem] = [null, null];
        try {
            $page = $this->pages->read($row->draft);
        } catch (Refused $refused) {
            $problem = (string) $refused->problems[0];
        }
        $said = fn (string $key): string => is_string($row->draft[$key] ?? null) ? $row->draft[$key] : $row->key;

        return [
            'key' => $row->key,
            'title' => $said('title'),
            'address' => $said('address'),
            'about' => $page?->about?->words(),
            'state' => match (true) {
                $problem !== null => 'attention',
                $row->live === null => 'draft',
                default => $row->draft === $row->live ? 'live' : 'changed',
            },
            'problem' => $problem,
            'audience' => $page?->schedule->words() ?? '',
            'blocks' => $page === null ? 0 : count($page->blocks()),
        ];
    }

    /** @return PageWholeShape with its definition, for the plan */
    public function whole(Page $row): array
    {
        return [
            'key' => $row->key,
            'definition' => $this->written($row),
            'revision' => $row->revision,
            'savedAt' => Iso8601::format($row->updated_at),
            'live' => $row->live !== null,
            'changed' => $row->draft !== $row->live,
            'publishedAt' => $row->published_at === null ? null : Iso8601::format($row->published_at),
        ];
    }

    /** @return PageFileShape as a file holds it; as it is stored where it can no longer be read */
    private function written(Page $row): array
    {
        try {
            return $this->pages->read($row->draft)->toArray();
        } catch (Refused) {
            return ['bands' => []] + $row->draft;
        }
    }
}
