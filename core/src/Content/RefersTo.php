<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** A part of a definition that names fields or terms. */
interface RefersTo
{
    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists; none where it lists no
     *   items
     * @return list<Reference>
     */
    public function references(string $at, array $types): array;
}
