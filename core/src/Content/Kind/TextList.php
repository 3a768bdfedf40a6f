<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** Common code of kinds whose value is a list of texts: the cell joins them by ` | `. */
trait TextList
{
    public function readCell(string $cell, Field $field): mixed
    {
        return $this->read(Whitespace::parts($cell, '|'), $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return implode(' | ', array_filter((array) $value, is_string(...)));
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return implode(', ', array_map($field->choiceLabel(...), array_filter((array) $value, is_string(...))));
    }
}
