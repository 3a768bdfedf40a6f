<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** A language without a known stemmer: words are compared unchanged. */
final class AnyLanguage implements Language
{
    public function stems(array $words): array
    {
        return $words;
    }
}
