<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;

/** Pictures in an order, each by its name on the site. */
final class Pictures implements Kind
{
    use TextList;

    public function key(): string
    {
        return 'pictures';
    }

    public function family(): Family
    {
        return Family::Pictures;
    }

    public function words(): string
    {
        return 'Pictures';
    }

    public function limits(): array
    {
        return [Limit::MaxItems];
    }

    public function readLimits(LimitReader $words): Limits
    {
        return new Limits(maxItems: $words->maxItems());
    }

    /** @return non-empty-list<string>|null */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === []) {
            return null;
        }
        if (! is_array($value) || ! array_is_list($value)) {
            throw WrongValue::expected('a list of pictures, each by its name', $value);
        }
        $names = array_values(
            array_unique(
                array_map(fn (mixed $one): string => Picture::name($one, 'a picture, such as lady-fern.webp'), $value),
            ),
        );
        $field->limits->holdCount($names);

        return $names;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string']] + (
            $field->limits->maxItems === null ? [] : ['maxItems' => $field->limits->maxItems]
        );
    }
}
