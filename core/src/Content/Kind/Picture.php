<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;

/** A picture, by its name on the site: `harts-tongue-fern.webp`. */
final class Picture implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'picture';
    }

    public function family(): Family
    {
        return Family::Picture;
    }

    public function words(): string
    {
        return 'Picture';
    }

    public function limits(): array
    {
        return [];
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }

        return self::name($value, 'a picture, such as lady-fern.webp');
    }

    /** @throws WrongValue when it is not how a file is named on the site */
    public static function name(mixed $value, string $what): string
    {
        return is_string($value) && preg_match('/^[a-z0-9]+(-[a-z0-9]+)*\.[a-z0-9]+$/D', $value) === 1
            ? $value
            : throw WrongValue::expected("the name of {$what}", $value);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'];
    }
}
