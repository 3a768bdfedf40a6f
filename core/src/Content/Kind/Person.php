<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;

/** One of the site’s people, by e-mail address. Visitors see the name. */
final class Person implements Kind
{
    use NamedLinks, SingleText {
        NamedLinks::display insteadof SingleText;
    }
    use NoLimits;

    public function key(): string
    {
        return 'person';
    }

    public function family(): Family
    {
        return Family::Person;
    }

    public function words(): string
    {
        return 'Person';
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
        $email = is_string($value) ? mb_strtolower(Whitespace::trim($value)) : '';

        return filter_var($email, FILTER_VALIDATE_EMAIL) === false
            ? throw WrongValue::expected('the e-mail address of one of the site’s people', $value)
            : $email;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'email'];
    }
}
