<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Content\Record;

/** The record that the page of a module is about. */
final readonly class PageSubject
{
    /**
     * @param  array{taxonomy: string, slug: string}|null  $term
     * @param  string|null  $month  `2026-05`, or a year or a day
     * @param  string|null  $person  e-mail
     */
    public function __construct(
        public ?Record $item = null,
        public ?array $term = null,
        public ?string $month = null,
        public ?string $person = null,
    ) {
    }
}
