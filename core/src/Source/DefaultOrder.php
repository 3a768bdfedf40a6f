<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Field;

/** What the records of a source are ordered by where a definition says nothing. */
final readonly class DefaultOrder
{
    public function __construct(public Field $field, public bool $descending = false)
    {
    }
}
