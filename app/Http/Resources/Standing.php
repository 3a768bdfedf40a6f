<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Page;
use App\Models\SiteDefinition;
use Wellspring\Core\Time\Iso8601;

/**
 * Whether visitors get a definition, and whether its draft differs from what they get.
 *
 * @phpstan-type StandingShape array{live: bool, changed: bool, publishedAt: string|null}
 */
final class Standing
{
    /** @return StandingShape */
    public static function of(Page|SiteDefinition $row): array
    {
        return [
            'live' => $row->live !== null,
            // Both come from `jsonb`, which orders keys alike.
            'changed' => $row->live !== null && $row->draft !== $row->live,
            'publishedAt' => $row->live === null || $row->published_at === null
                ? null
                : Iso8601::format($row->published_at),
        ];
    }

    /**
     * Of what holds while nobody has made a draft.
     *
     * @param  bool  $live  whether visitors get it
     * @return StandingShape
     */
    public static function untouched(bool $live): array
    {
        return ['live' => $live, 'changed' => false, 'publishedAt' => null];
    }
}
