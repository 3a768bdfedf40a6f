<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;

/** What most kinds of parts say of themselves. */
trait Defaults
{
    public static function optionSchemas(): array
    {
        return [];
    }

    public function showsPicture(): bool
    {
        return false;
    }

    public function words(Part $part): string
    {
        return $this->key();
    }

    public function references(Part $part, string $at, array $types): array
    {
        return [];
    }
}
