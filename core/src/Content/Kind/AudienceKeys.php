<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Who\Audience;

/**
 * The audience of an item: `everyone`, `signed-out`, `members`, `group:KEY`, or several joined. Type files cannot use
 * this kind.
 */
final class AudienceKeys implements Kind
{
    use NoLimits;
    use TextList;

    public function key(): string
    {
        return 'audience';
    }

    public function family(): Family
    {
        return Family::Choices;
    }

    public function words(): string
    {
        return 'Audience';
    }

    public function limits(): array
    {
        return [];
    }

    /** @return non-empty-list<string>|null */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === [] || $value === '') {
            return null;
        }
        $keys = is_string($value) ? [$value] : $value;
        if (! is_array($keys) || ! array_is_list($keys)) {
            throw WrongValue::expected('a list of audiences', $value);
        }
        foreach ($keys as $key) {
            if (! is_string($key) || ! Audience::isKey($key)) {
                throw WrongValue::expected('everyone, signed-out, members, or a group as group:KEY', $key);
            }
        }

        return Audience::of(array_values(array_filter($keys, is_string(...))))->keys;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'array', 'items' => ['type' => 'string']];
    }
}
