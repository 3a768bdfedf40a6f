<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** Brings words to the form in which search compares them, so that “ferns” finds “fern”. */
interface Language
{
    /** @param  string  $word  folded, letters or digits only */
    public function stem(string $word): string;
}
