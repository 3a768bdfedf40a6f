<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;

/** A colour, `#1f6470`: red, green and blue in two hexadecimal digits each. */
final class Colour implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'colour';
    }

    public function family(): Family
    {
        return Family::Text;
    }

    public function words(): string
    {
        return 'Colour';
    }

    public function limits(): array
    {
        return [Limit::Default];
    }

    public function read(mixed $value, Field $field): ?string
    {
        return $value === null || $value === '' ? null : self::hex($value);
    }

    /** @throws WrongValue */
    public static function hex(mixed $value): string
    {
        $text = is_string($value) ? strtolower(Whitespace::trim($value)) : '';
        if (preg_match('/^#([0-9a-f])([0-9a-f])([0-9a-f])$/D', $text, $m) === 1) {
            return '#'.$m[1].$m[1].$m[2].$m[2].$m[3].$m[3];
        }

        return preg_match('/^#[0-9a-f]{6}$/D', $text) === 1
            ? $text
            : throw WrongValue::expected('a colour such as #1f6470', $value);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'pattern' => '^#[0-9a-f]{6}$'];
    }
}
