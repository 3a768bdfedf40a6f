<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;

/** Text with markup (HTML). Whoever stores it makes it safe first. */
final class LongText implements Kind
{
    public function key(): string
    {
        return 'longText';
    }

    public function family(): Family
    {
        return Family::LongText;
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null) {
            return null;
        }
        if (! is_string($value)) {
            throw WrongValue::expected('text', $value);
        }
        Text::mustBeReadable($value);
        if (strlen($value) > 1_000_000) {
            throw new WrongValue('expected at most 1,000,000 bytes of text.');
        }

        return Blank::isHtml($value) ? null : trim($value);
    }

    public function readCell(string $cell, Field $field): ?string
    {
        return $this->read($cell, $field);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'];
    }
}
