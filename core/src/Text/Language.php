<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** Reduces words to their search form, so that “ferns” finds “fern”. */
interface Language
{
    /**
     * @param  list<string>  $words  folded, letters and digits only
     * @return list<string> in their order
     */
    public function stems(array $words): array;
}
