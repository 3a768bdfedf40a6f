<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Field;

/** The default order of a source. */
final readonly class DefaultOrder
{
    public function __construct(public Field $field, public bool $descending = false)
    {
    }
}
