<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Context\Context;

/**
 * The site's pages as records.
 *
 * @phpstan-type PageRow array{
 *     id: int, slug: string, title: string, text: string|null, active: bool, fields: array<string, mixed>,
 * }
 */
interface PageRecords
{
    /** @return list<PageRow> in the order of the tree; `active` tells whether the viewer may see the page now */
    public function rows(Context $context): array;

    /** @return int|null timestamp of the next moment at which a page begins or ends to show; null: never */
    public function nextChange(Context $context): ?int;
}
