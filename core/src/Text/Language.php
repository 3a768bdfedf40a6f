<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** Brings words to the form in which search compares them, so that “ferns” finds “fern”. */
interface Language
{
    /**
     * @param  list<string>  $words  folded, letters or digits only
     * @return list<string> in their order
     */
    public function stems(array $words): array;
}
