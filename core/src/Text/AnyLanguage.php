<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** A language whose forms are not known: words are compared as they are. */
final class AnyLanguage implements Language
{
    public function stems(array $words): array
    {
        return $words;
    }
}
