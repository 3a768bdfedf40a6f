<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Wording\Format;

/** Words of kinds that link to items or people. Who is no longer there is not shown by slug or e-mail. */
trait NamedLinks
{
    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        $shown = array_intersect_key($names, array_flip(array_filter((array) $value, is_string(...))));

        return $shown === [] ? null : implode(', ', $shown);
    }
}
