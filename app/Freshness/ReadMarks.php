<?php

declare(strict_types=1);

namespace App\Freshness;

/** Marks that were read in one go for several results, before any of their content. */
final readonly class ReadMarks
{
    /** @param  array<string, string>|null  $byKey  what ContentMarks::of() gave */
    public function __construct(public ?array $byKey)
    {
    }
}
