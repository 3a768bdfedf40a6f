<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Wording\Format;

/** The text form of kinds that link to items or people. Links to removed records show nothing. */
trait NamedLinks
{
    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        $shown = array_intersect_key($names, array_flip(array_filter((array) $value, is_string(...))));

        return $shown === [] ? null : implode(', ', $shown);
    }
}
