<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\DefinitionSchemas;
use App\Models\Page;
use App\Pages\PageStore;
use App\Site\ModulePlaces;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * A page as the manage screens take it.
 *
 * @phpstan-import-type PageFileShape from DefinitionSchemas
 *
 * @phpstan-type PageSummaryShape array{
 *     key: string, title: string, address: string, state: 'live'|'changed'|'draft'|'attention', note: string|null,
 * }
 * @phpstan-type PageWholeShape array{
 *     key: string, definition: PageFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 */
final readonly class PageResource
{
    public function __construct(private PageStore $pages, private ModulePlaces $places)
    {
    }

    /**
     * @param  \stdClass  $row  of PageStore::drafts()
     * @return PageSummaryShape as the tree of pages has it
     */
    public function summary(\stdClass $row): array
    {
        return [
            'key' => (string) $row->key,
            'title' => (string) $row->title,
            'address' => $this->places->address((string) $row->key, (string) $row->address)
                ?? (string) $row->address,
            'note' => $this->places->address((string) $row->key, (string) $row->address) === null
                ? 'Visitors cannot reach it: Settings makes another page the home page. Give it another address.'
                : null,
            'state' => $this->state((string) $row->state, is_string($row->draft) ? $row->draft : null),
        ];
    }

    /** @return 'live'|'changed'|'draft'|'attention' */
    private function state(string $stored, ?string $draft): string
    {
        return match (true) {
            $draft !== null && ! $this->isReadable($draft) => 'attention',
            $stored === 'draft', $stored === 'changed' => $stored,
            default => 'live',
        };
    }

    private function isReadable(string $draft): bool
    {
        try {
            $this->pages->read(json_decode($draft, true));
        } catch (Refused) {
            return false;
        }

        return true;
    }

    /** @return PageWholeShape with its definition, for the plan */
    public function whole(Page $row): array
    {
        return [
            'key' => $row->key,
            'definition' => $this->written($row->draft),
            'revision' => $row->revision,
            'savedAt' => Iso8601::format($row->updated_at),
        ] + Standing::of($row);
    }

    /**
     * @param  array<string, mixed>  $draft
     * @return PageFileShape as a file holds it; as it is stored where it can no longer be read
     */
    public function written(array $draft): array
    {
        try {
            return $this->pages->read($draft)->toArray();
        } catch (Refused) {
            return ['bands' => []] + $draft;
        }
    }
}
