<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Reference;

/** A test whose conditions name more than their field. */
interface ReferringTest extends Test
{
    /**
     * @param  string  $at  where the condition stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(Condition $condition, string $at, array $types): array;
}
