<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** Common code of kinds whose value is one text: the cell contains the value itself. */
trait SingleText
{
    public function readCell(string $cell, Field $field): mixed
    {
        return $this->read(Whitespace::trim($cell), $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return is_string($value) ? $value : '';
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_string($value) ? $value : null;
    }
}
